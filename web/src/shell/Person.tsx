/** Who acts; its menu chooses that, the chrome's lightness, and the keys. */
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { lazy } from "react";
import { client, data, problemOf } from "../api/client";
import { Opener } from "../components/Opener";

export const fetchPersonMenu = () => import("./PersonMenu");
const PersonMenu = lazy(() => fetchPersonMenu().then((made) => ({ default: made.PersonMenu })));

interface Props {
  onKeys?: () => void;
  /** Somebody else acts now. */
  onChanged?: () => void;
  onProblem: (words: string) => void;
}

export function Person({ onKeys, onChanged, onProblem }: Props) {
  const queries = useQueryClient();
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
    <Opener
      opens="menu"
      panel={(opened) => (
        <PersonMenu
          {...opened}
          acting={id}
          people={me.data?.people ?? []}
          onChoose={(person) => void choose(person)}
          {...(onKeys ? { onKeys } : {})}
        />
      )}
      unstyled
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
    </Opener>
  );
}
