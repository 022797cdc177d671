/** The arrow keys walk the strips: along a palette, and from one to the next. */
import type { KeyboardEvent } from "react";
import type { PaletteView } from "../../api/client";
import { useWorkspace } from "../../workspace/hooks";
import { look } from "../../workspace/look";

type Color = PaletteView["colors"][number];

const ENDS: Record<string, string> = {
  ArrowRight: "This is the last color of its palette.",
  ArrowLeft: "This is the first color of its palette.",
  ArrowDown: "This is the last palette.",
  ArrowUp: "This is the first palette.",
};

export function useWalking(palettes: PaletteView[]) {
  const { say } = useWorkspace();
  return (event: KeyboardEvent<HTMLElement>) => {
    if (event.altKey || event.ctrlKey || event.metaKey) return;
    const at = (event.target as HTMLElement).closest<HTMLElement>("[data-key]")?.dataset.key;
    const row = palettes.findIndex((palette) => palette.colors.some((color) => color.key === at));
    const colors = palettes[row]?.colors;
    if (!colors) return;
    const place = colors.findIndex((color) => color.key === at);
    const beside = (by: number) => palettes[row + by]?.colors;
    const across = (by: number) => {
      const others = beside(by);
      return others?.[Math.min(Math.round((place / colors.length) * others.length), others.length - 1)];
    };
    const next = reached(event.key, colors, place, across);
    if (next === null) return;
    event.preventDefault();
    if (!next) {
      say(ENDS[event.key] ?? null);
      return;
    }
    look({ select: next.key });
    const root = event.currentTarget;
    root.querySelector<HTMLElement>(`[data-key="${CSS.escape(next.key)}"]`)?.focus();
  };
}

/** The color that a key leads to; undefined where there is none, null for a key that walks nowhere. */
function reached(
  key: string,
  colors: Color[],
  place: number,
  across: (by: number) => Color | undefined,
): Color | undefined | null {
  if (key === "ArrowRight") return colors[place + 1];
  if (key === "ArrowLeft") return colors[place - 1];
  if (key === "ArrowDown") return across(1);
  if (key === "ArrowUp") return across(-1);
  if (key === "Home") return colors[0];
  return key === "End" ? colors.at(-1) : null;
}
