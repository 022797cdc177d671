/** How the list of what was read is looked at: in which order, and under which headings. */
import type { HueKind, ReadLineView } from "../../../api/client";

export type Order = "read" | "name" | "use" | "lightness";
export type Heading = "none" | "kind" | "place";

export const ORDERS: { value: Order; words: string }[] = [
  { value: "read", words: "as read" },
  { value: "name", words: "by name" },
  { value: "use", words: "by use" },
  { value: "lightness", words: "light to dark" },
];
export const HEADINGS: { value: Heading; words: string }[] = [
  { value: "none", words: "by nothing" },
  { value: "kind", words: "by kind" },
  { value: "place", words: "by place in the file" },
];

export interface Group {
  heading: string;
  lines: ReadLineView[];
}

const COMPARED: Record<Order, (one: ReadLineView, other: ReadLineView) => number> = {
  read: () => 0,
  name: (one, other) => one.name.localeCompare(other.name, "en-US", { numeric: true }),
  use: (one, other) => other.uses - one.uses,
  lightness: (one, other) => other.lightness - one.lightness,
};

/** What was not read stays at the end of its group, whatever the order. */
const inOrder = (lines: ReadLineView[], order: Order) =>
  [...lines].sort((one, other) => Number(!one.color) - Number(!other.color) || COMPARED[order](one, other));

export function grouped(
  lines: ReadLineView[],
  order: Order,
  heading: Heading,
  kindOf: (line: ReadLineView) => HueKind,
): Group[] {
  if (heading === "none") return [{ heading: "", lines: order === "read" ? lines : inOrder(lines, order) }];
  const of = (line: ReadLineView) =>
    !line.color ? "not read" : heading === "kind" ? kindOf(line) : line.place || "nowhere in particular";
  const groups = new Map<string, ReadLineView[]>();
  for (const line of lines) groups.set(of(line), [...(groups.get(of(line)) ?? []), line]);
  return [...groups].map(([words, own]) => ({ heading: words, lines: inOrder(own, order) }));
}
