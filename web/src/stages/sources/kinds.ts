/** The kinds of hues as they are chosen: a status is a kind that says what it stands for. */
import type { HueKind, Status } from "../../api/client";

export const KIND_ITEMS = [
  { value: "brand", words: "brand" },
  { value: "accent", words: "accent" },
  { value: "neutral", words: "neutral" },
  { value: "success", words: "status: success" },
  { value: "warning", words: "status: warning" },
  { value: "error", words: "status: error" },
  { value: "information", words: "status: information" },
];
const STATUSES = ["success", "warning", "error", "information"];

export function kindOf(value: string): { kind: HueKind; status: Status | null } {
  return STATUSES.includes(value)
    ? { kind: "status", status: value as Status }
    : { kind: value as HueKind, status: null };
}
