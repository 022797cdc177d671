/** The person's menu: who acts, the chrome's lightness, and the help. */
import { Menu } from "@chakra-ui/react";
import { MenuPanel } from "../components/MenuPanel";
import type { Opened } from "../components/Opener";
import { useInterface } from "../workspace/interface";

interface Props extends Opened {
  acting: string;
  people: { id: string; name: string; role: string }[];
  onChoose: (person: string) => void;
  onKeys?: () => void;
}

export function PersonMenu({ acting, people, onChoose, onKeys, ...opened }: Props) {
  const { chrome, singleKeys, set } = useInterface();
  return (
    <MenuPanel {...opened} placement="bottom-end" minWidth="230px">
      <Menu.RadioItemGroup value={acting} onValueChange={(change) => onChoose(change.value)}>
        <Menu.ItemGroupLabel fontSize="12px">Acting as</Menu.ItemGroupLabel>
        {people.map((person) => (
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
          Help: areas, words, keys
        </Menu.Item>
      )}
    </MenuPanel>
  );
}
