/** How the person looks: stage, selection, vision, ground. One small store, which the address mirrors. */
import { create } from "zustand";
import type { Seeing, Vision } from "../api/client";

export const VISIONS = ["typical", "protan", "deutan", "tritan", "achromat"] as const satisfies Vision[];
export const VISION_WORDS: Record<Vision, string> = {
  typical: "typical",
  protan: "protan",
  deutan: "deutan",
  tritan: "tritan",
  achromat: "no color",
};

export interface Look {
  slug: string;
  stage: string;
  vision: Vision;
  severity: number;
  ground: string;
  /** The theme that fills the sheet; null is the first. */
  theme: string | null;
  select: string | null;
  /** The work area that is open, if the stage has one of that id. */
  area: string | null;
  /** What the stage shows of all it could. */
  show: string;
  picture: number | null;
  /** The address of another alternative, whose sheet stands beside this one. */
  beside: string | null;
  /** What colors are to reach on the ground, while the sheet of scales answers what may stand there; else null. */
  need: number | null;
  /** Whether this is such a sheet: nothing but the stage is drawn. */
  bare: boolean;
}

const USUAL: Omit<Look, "slug" | "stage"> = {
  vision: "typical",
  severity: 1,
  ground: "white",
  theme: null,
  select: null,
  area: null,
  show: "all",
  picture: null,
  beside: null,
  need: null,
  bare: false,
};

/** The names of the quantities in the address. */
const NAMES: Record<keyof typeof USUAL, string> = {
  vision: "seen",
  severity: "severity",
  ground: "ground",
  theme: "theme",
  select: "at",
  area: "area",
  show: "show",
  picture: "picture",
  beside: "beside",
  need: "need",
  bare: "bare",
};

const within = (value: number, low: number, high: number) => (value >= low && value <= high ? value : null);

/** The look that an address stands for; null for an address of no system. */
export function lookOf(pathname: string, search: string): Look | null {
  const [, systems, slug, stage] = pathname.split("/");
  if (systems !== "systems" || !slug || !stage) return null;
  const query = new URLSearchParams(search);
  const text = (name: keyof typeof USUAL) => query.get(NAMES[name]);
  const severity = Number(text("severity") ?? 1);
  return {
    slug: decodeURIComponent(slug),
    stage,
    vision: VISIONS.find((known) => known === text("vision")) ?? "typical",
    severity: Number.isFinite(severity) ? Math.min(Math.max(severity, 0), 1) : 1,
    ground: text("ground") ?? "white",
    theme: text("theme"),
    select: text("select"),
    area: text("area"),
    show: text("show") ?? "all",
    picture: Number(text("picture")) || null,
    beside: text("beside"),
    need: within(Number(text("need")), 1, 21),
    bare: text("bare") === "true",
  };
}

/** The address of a look; what is usual is left out. */
export function addressOf(look: Look): { pathname: string; search: string } {
  const query = new URLSearchParams();
  for (const [quantity, name] of Object.entries(NAMES) as [keyof typeof USUAL, string][]) {
    const value = look[quantity];
    if (value !== USUAL[quantity] && value !== null && value !== "") query.set(name, String(value));
  }
  const search = query.toString();
  return {
    pathname: `/systems/${encodeURIComponent(look.slug)}/${look.stage}`,
    search: search ? `?${search}` : "",
  };
}

export const useLook = create<Look>()(() => ({
  ...(lookOf(window.location.pathname, window.location.search) ?? { slug: "", stage: "", ...USUAL }),
}));

/** Look in another way. It stays the same function, so that who calls it is not drawn again. */
export const look = (change: Partial<Omit<Look, "slug">>) => useLook.setState(change);

/** Through which eyes: the same object while these are the same. */
let seeing: Seeing = { vision: "typical", severity: 1 };
export const useSeeing = (): Seeing =>
  useLook((at) => {
    if (at.vision !== seeing.vision || at.severity !== seeing.severity) {
      seeing = { vision: at.vision, severity: at.severity };
    }
    return seeing;
  });
