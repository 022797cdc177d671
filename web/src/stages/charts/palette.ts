/** What a palette is in this stage: which one is looked at, and edits of how it is made. */
import { type Edit, type PaletteView, Problem } from "../../api/client";
import { edit } from "../../api/edits";
import { newId } from "../../api/ids";
import { usePart } from "../../workspace/hooks";
import type { Making } from "../../workspace/known";
import { useLook } from "../../workspace/look";

export type Make = PaletteView["make"];
export type Categorical = Extract<Make, { kind: "categorical" }>;
export type Sequential = Extract<Make, { kind: "sequential" }>;
export type Diverging = Extract<Make, { kind: "diverging" }>;
export type Value = Categorical["colors"][number]["value"];

/** The palette and the color that a key names. */
export function placeOf(select: string | null): { palette: string; color: string } | null {
  if (!select?.startsWith("palette:")) return null;
  const [palette = "", color = ""] = select.slice("palette:".length).split("/");
  return { palette, color };
}

/** The palette that is drawn: the one of what is selected, else the first. */
export function useShownPalette(): PaletteView | undefined {
  const palettes = usePart("palettes");
  const selected = useLook((at) => placeOf(at.select)?.palette);
  return palettes.find((each) => each.id === selected) ?? palettes[0];
}

/** The token on which a new palette is drawn: that of the palette looked at, else the card or the page, else white. */
export function useNewGround(): string | null {
  const shown = useShownPalette();
  const key = usePart("specimen", ({ keys }) => keys["surface.card"] ?? keys["surface.page"]);
  return shown ? shown.ground : (key?.slice("token:".length) ?? null);
}

/** A palette made otherwise: from how it is made when the edit's turn comes, so that of two quick presses both count.
 * What stays as it is is no edit. */
export const remade =
  <Kind extends Make>(
    palette: string,
    change: (make: Kind, now: PaletteView) => Kind | Promise<Kind>,
  ): Making =>
  async ({ palettes }) => {
    const now = palettes?.find((each) => each.id === palette);
    if (!now) throw new Problem({ detail: "That palette is not there any more." }, 422);
    const make = now.make as Kind;
    const next = await change(make, now);
    return next === make ? [] : [edit("set_palette", { palette, make: next })];
  };

/** The names of all palettes. */
export const usePaletteNames = () =>
  usePart("palettes", (palettes) => palettes.map((each) => each.name).join("\n")).split("\n");

/** A name that no palette has yet. */
export function freeName(names: readonly string[], wanted: string): string {
  const taken = names.map((each) => each.toLowerCase());
  let name = wanted;
  for (let number = 2; taken.includes(name.toLowerCase()); number++) name = `${wanted} ${number}`;
  return name;
}

/** A palette added, and its key. */
export function added(name: string, make: Make, ground: string | null): { edit: Edit; key: string } {
  const id = newId();
  return { edit: edit("add_palette", { id, name, make, ground, column: "" }), key: `palette:${id}` };
}

/** Of many, so many of them at even distances, the first and the last among them. */
export function everyNth<Each>(all: readonly Each[], most: number): Each[] {
  if (all.length <= most) return [...all];
  const step = (all.length - 1) / (most - 1);
  return Array.from({ length: most }, (_, place) => Math.round(place * step)).flatMap((at) => all[at] ?? []);
}

/** A palette whose color at a place stands for a category; what stood for it before takes what that one stood for. */
export function assigned(make: Categorical, place: number, category: string): Categorical {
  const before = make.colors[place]?.category ?? "";
  const colors = make.colors.map((color, at) =>
    at === place
      ? { ...color, category }
      : color.category === category && category !== ""
        ? { ...color, category: before }
        : color,
  );
  return { ...make, colors };
}
