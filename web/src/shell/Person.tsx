/** Who acts, the chrome's lightness, and the keys. */
import { Box, Menu, Portal } from "@chakra-ui/react";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { client, data, problemOf } from "../api/client";
import { useInterface } from "../workspace/interface";

interface Props {
  onKeys?: () => void;
  /** Somebody else acts now. */
  onChanged?: () => void;
  onProblem: (words: string) => void;
}

export function Person({ onKeys, onChanged, onProblem }: Props) {
  const queries = useQueryClient();
  const { chrome, singleKeys, set } = useInterface();
  const me = useQuery({
    queryKey: ["me"],
    queryFn: () => data(client.GET("/api/me")),
    retry: true,
    retryDelay: 1500,
  });
  const choose = async (person: string) => {
    try {
      await data(client.PUT("/api/me", { body: { person } }));
      onChanged?.();
      await queries.invalidateQueries();
    } catch (thrown) {
      onProblem(problemOf(thrown).message);
    }
  };
  const { initials = "", name = "", id = "" } = me.data?.me ?? {};
  return (
    <Menu.Root lazyMount positioning={{ placement: "bottom-end" }}>
      <Menu.Trigger asChild>
        <Box
          as="button"
          aria-label={`${initials}: acting as ${name}`}
          width="26px"
          height="26px"
          borderRadius="50%"
          border="1px solid"
          borderColor="fg"
          fontSize="11px"
          fontWeight="700"
          cursor="pointer"
        >
          {initials}
        </Box>
      </Menu.Trigger>
      <Portal>
        <Menu.Positioner>
          <Menu.Content minWidth="230px">
            <Menu.RadioItemGroup value={id} onValueChange={(change) => void choose(change.value)}>
              <Menu.ItemGroupLabel fontSize="12px">Acting as</Menu.ItemGroupLabel>
              {me.data?.people.map((person) => (
                <Menu.RadioItem key={person.id} value={person.id} fontSize="13px">
                  {person.name}, {person.role}
                  <Menu.ItemIndicator />
                </Menu.RadioItem>
              ))}
            </Menu.RadioItemGroup>
            <Menu.Separator />
            <Menu.CheckboxItem
              value="dark"
              checked={chrome === "dark"}
              fontSize="13px"
              onCheckedChange={(dark) =>
                set(dark ? { chrome: "dark", surround: "black" } : { chrome: "light", surround: "white" })
              }
            >
              Dark interface
              <Menu.ItemIndicator />
            </Menu.CheckboxItem>
            <Menu.CheckboxItem
              value="keys"
              checked={singleKeys}
              fontSize="13px"
              onCheckedChange={(on) => set({ singleKeys: on })}
            >
              Keys of a single character
              <Menu.ItemIndicator />
            </Menu.CheckboxItem>
            {onKeys && (
              <Menu.Item value="sheet" fontSize="13px" onSelect={onKeys}>
                All keys
              </Menu.Item>
            )}
          </Menu.Content>
        </Menu.Positioner>
      </Portal>
    </Menu.Root>
  );
}
