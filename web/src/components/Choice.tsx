/** A word and the present choice, with a mark that it opens: a menu of all. It has no box. */
import { Text, VisuallyHidden } from "@chakra-ui/react";
import { memo } from "react";
import { useSteady } from "../util/useSteady";
import type { Item } from "./item";
import { Opener } from "./Opener";
import { OpenMark } from "./OpenMark";
import { ChoiceMenu } from "./panels";
import { TOOL } from "./ToolButton";

interface Props<Value extends string = string> {
  label: string;
  value: string;
  items: readonly Item<Value>[];
  onChoose: (value: Value) => void;
  /** What stands there while nothing is chosen. */
  otherwise?: string;
  /** Of what it is a choice, where several of one label stand beside each other: said, not shown. */
  of?: string;
}

export function Choice<Value extends string>({ items, onChoose, ...props }: Props<Value>) {
  // The menu gives back what it was given, also where other items have come since it was opened.
  const choose = useSteady((value: string) => onChoose(value as Value));
  return <Drawn {...props} items={items} onChoose={choose} />;
}

const sameItems = (one: readonly Item[], other: readonly Item[]) =>
  one.length === other.length &&
  one.every((item, place) => item.value === other[place]?.value && item.words === other[place]?.words);

/** A menu is dear to draw: it is drawn again only where what it shows has changed. */
const Drawn = memo(
  DrawnChoice,
  (before, after) =>
    before.label === after.label &&
    before.value === after.value &&
    before.of === after.of &&
    before.otherwise === after.otherwise &&
    sameItems(before.items, after.items),
);

function DrawnChoice({ label, value, items, onChoose, of, otherwise }: Props) {
  const chosen = items.find((item) => item.value === value);
  return (
    <Opener
      opens="menu"
      panel={(opened) => <ChoiceMenu {...opened} value={value} items={items} onChoose={onChoose} />}
      {...TOOL}
      variant="plain"
      borderColor="transparent"
      gap="5px"
      paddingInline="4px"
    >
      {label}{" "}
      <Text as="strong" fontWeight="700" borderBottom="1px solid">
        {chosen?.words ?? otherwise ?? value}
      </Text>
      <OpenMark />
      {of && <VisuallyHidden> {of}</VisuallyHidden>}
    </Opener>
  );
}
