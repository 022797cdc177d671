/** The menu of a choice: all that can be chosen, the present one marked. */
import { Menu } from "@chakra-ui/react";
import type { Item } from "./item";
import { MenuPanel } from "./MenuPanel";
import type { Opened } from "./Opener";

interface Props extends Opened {
  value: string;
  items: readonly Item[];
  onChoose: (value: string) => void;
}

export function ChoiceMenu({ value, items, onChoose, ...opened }: Props) {
  return (
    <MenuPanel {...opened} placement="bottom-start" minWidth="140px">
      <Menu.RadioItemGroup value={value} onValueChange={(change) => onChoose(change.value)}>
        {items.map((item) => (
          <Menu.RadioItem key={item.value} value={item.value} minHeight="28px" fontSize="13px">
            {item.words}
            <Menu.ItemIndicator />
          </Menu.RadioItem>
        ))}
      </Menu.RadioItemGroup>
    </MenuPanel>
  );
}
