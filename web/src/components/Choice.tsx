/** A button that names what it chooses and the present choice, and opens a menu of all. */
import { Button, Menu, Portal, Text } from "@chakra-ui/react";
import { memo } from "react";
import { useSteady } from "../util/useSteady";

interface Item {
  value: string;
  words: string;
}

interface Props {
  label: string;
  value: string;
  items: Item[];
  onChoose: (value: string) => void;
  plain?: boolean;
}

export function Choice(props: Props) {
  return <Drawn {...props} onChoose={useSteady(props.onChoose)} />;
}

const sameItems = (one: Item[], other: Item[]) =>
  one.length === other.length &&
  one.every((item, place) => item.value === other[place]?.value && item.words === other[place]?.words);

/** A menu is dear to draw: it is drawn again only where what it shows has changed. */
const Drawn = memo(
  DrawnChoice,
  (before, after) =>
    before.label === after.label &&
    before.value === after.value &&
    before.plain === after.plain &&
    sameItems(before.items, after.items),
);

function DrawnChoice({ label, value, items, onChoose, plain = false }: Props) {
  const chosen = items.find((item) => item.value === value);
  return (
    <Menu.Root positioning={{ placement: "bottom-start" }} lazyMount>
      <Menu.Trigger asChild>
        <Button
          size="2xs"
          variant={plain ? "ghost" : "outline"}
          height="24px"
          paddingInline={plain ? "4px" : "8px"}
          gap="6px"
          fontWeight="400"
          fontSize="12px"
          color="fg"
          borderColor="border.emphasized"
        >
          {label}{" "}
          <Text as="strong" fontWeight="700">
            {chosen?.words ?? value}
          </Text>
        </Button>
      </Menu.Trigger>
      <Portal>
        <Menu.Positioner>
          <Menu.Content minWidth="140px" maxHeight="320px">
            <Menu.RadioItemGroup value={value} onValueChange={(change) => onChoose(change.value)}>
              {items.map((item) => (
                <Menu.RadioItem key={item.value} value={item.value} minHeight="28px" fontSize="13px">
                  {item.words}
                  <Menu.ItemIndicator />
                </Menu.RadioItem>
              ))}
            </Menu.RadioItemGroup>
          </Menu.Content>
        </Menu.Positioner>
      </Portal>
    </Menu.Root>
  );
}
