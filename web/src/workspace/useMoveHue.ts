/** Moving a hue among others: up and down by keys, tap by tap, or by dragging to before or after another. */
import type { Edit, HueView } from "../api/client";
import { KIND_ORDER } from "../api/constants.generated";
import { edit } from "../api/edits";
import { useSteady } from "../util/useSteady";
import { useNow, useWorkspace } from "./hooks";

const byKind = (hues: HueView[]) => KIND_ORDER.flatMap((kind) => hues.filter((hue) => hue.kind === kind));

/** Whether hues stand otherwise than grouped by their kinds, in the order of kinds. */
export const scattered = (hues: HueView[]) => byKind(hues).some((hue, place) => hue !== hues[place]);

/** The hue that a derived one stands under, where both are of one kind. */
export const standsUnder = (hue: HueView, hues: HueView[]): HueView | null => {
  const { follows } = hue;
  if (follows?.kind !== "derived") return null;
  return hues.find((other) => other.id === follows.hue && other.kind === hue.kind) ?? null;
};

/** Among which hues a hue is moved: all of the sheet, or those beside which it stands in Sources. */
export type Among = "all" | "kind";

/** What a hue is put before, so that it stands at a place among some of the others; null is behind all. */
function before(place: number, siblings: HueView[], others: HueView[]): string | null {
  const next = siblings[place];
  if (next) return next.id;
  const last = siblings.at(-1);
  return others[others.findIndex((other) => other.id === last?.id) + 1]?.id ?? null;
}

const ENDS: Record<Among, [string, string]> = {
  all: ["is the first of all", "is the last of all"],
  kind: ["is the first of its kind", "is the last of its kind"],
};

export function useMoveHue() {
  const now = useNow();
  const { put, say, moving } = useWorkspace();
  const moveBy = useSteady((hue: HueView, by: number, among: Among) => {
    // From the first tap on, places are counted in the order that was there then.
    moving.tap<{ hues: HueView[]; by: number }>(`move ${hue.id}`, (tapped) => {
      const hues = tapped?.hues ?? now().hues ?? [];
      const others = hues.filter((other) => other.id !== hue.id);
      const parent = standsUnder(hue, hues);
      const siblings =
        among === "all"
          ? others
          : others.filter((other) => other.kind === hue.kind && standsUnder(other, hues) === parent);
      const start = siblings.filter(
        (other) => hues.indexOf(other) < hues.findIndex(({ id }) => id === hue.id),
      );
      const wanted = start.length + (tapped?.by ?? 0) + by;
      const place = Math.min(Math.max(wanted, 0), siblings.length);
      if (wanted !== place) {
        const [first, last] = ENDS[among];
        const whose = parent ? ` of those that follow ${parent.name}` : "";
        say(
          `${hue.name} ${whose ? (wanted < 0 ? "is the first" : "is the last") : wanted < 0 ? first : last}${whose}.`,
        );
        return null;
      }
      const edits: Edit[] =
        place === start.length
          ? []
          : [edit("move_hue", { hue: hue.id, before: before(place, siblings, others) })];
      return { come: { hues, by: place - start.length }, edits };
    });
  });
  /** To before or after another, wherever that stands; in Sources it then is of that one's kind. */
  const moveTo = useSteady((id: string, target: string, after: boolean, among: Among) => {
    const hues = now().hues ?? [];
    const hue = hues.find((each) => each.id === id);
    const beside = hues.find((each) => each.id === target);
    if (!hue || !beside || id === target) return;
    const edits: Edit[] = [];
    if (among === "kind" && hue.kind !== beside.kind) {
      if (beside.kind === "status") {
        say(`Say which status ${hue.name} shows, beside Kind: dragged there, it could be any.`);
        return;
      }
      edits.push(edit("set_hue_kind", { hue: id, kind: beside.kind, status: null }));
    }
    const others = hues.filter((other) => other.id !== id);
    const place = others.indexOf(beside) + (after ? 1 : 0);
    const next = others[place]?.id ?? null;
    if (hues[hues.indexOf(hue) + 1]?.id !== (next ?? undefined) || hues.at(-1) === hue)
      edits.push(edit("move_hue", { hue: id, before: next }));
    if (edits.length > 0) void put(...edits);
  });
  const group = useSteady(() => {
    void put(...byKind(now().hues ?? []).map((hue) => edit("move_hue", { hue: hue.id, before: null })));
  });
  return { moveBy, moveTo, group };
}
