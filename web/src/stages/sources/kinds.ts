/** The kinds of hues as they are chosen: a status is a kind that says what it stands for. */
import type { HueKind, Status } from "../../api/client";
import { STATUSES } from "../../api/constants.generated";

export const KIND_ITEMS = [
  { value: "brand", words: "brand" },
  { value: "accent", words: "accent" },
  { value: "neutral", words: "neutral" },
  ...STATUSES.map((status) => ({ value: status as string, words: `status: ${status}` })),
];

export function kindOf(value: string): { kind: HueKind; status: Status | null } {
  return (STATUSES as readonly string[]).includes(value)
    ? { kind: "status", status: value as Status }
    : { kind: value as HueKind, status: null };
}
