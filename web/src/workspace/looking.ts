/** How the person looks, kept in the address: stage, selection, vision, ground, theme. */
import { useCallback, useMemo } from "react";
import { useNavigate, useParams, useSearchParams } from "react-router";
import type { Looking } from "../api/client";
import { useInterface } from "./interface";

export const STAGES = ["sources", "scales", "tokens", "legibility", "releases"] as const;
export type Stage = (typeof STAGES)[number];
export const SOURCE_AREAS = [
  "harmony",
  "even",
  "mix",
  "picture",
  "status",
  "neutral",
  "gallery",
  "text",
] as const;
export const SCALE_AREAS = ["ladder", "method", "curves", "scale", "overlay", "fewer"] as const;
export type SourceArea = (typeof SOURCE_AREAS)[number];
export type ScaleArea = (typeof SCALE_AREAS)[number];
/** A work area of a stage, open inside its sheet. */
export type Area = SourceArea | ScaleArea;
export const AREA_STAGES: [Stage, readonly Area[]][] = [
  ["sources", SOURCE_AREAS],
  ["scales", SCALE_AREAS],
];
const AREAS = AREA_STAGES.flatMap(([, areas]) => areas);
export const AREA_WORDS: Record<Area, string> = {
  harmony: "Harmony",
  even: "Even set",
  mix: "Mix",
  picture: "Picture",
  status: "Status",
  neutral: "Neutral",
  gallery: "Gallery",
  text: "As text",
  ladder: "Ladder",
  method: "Method",
  curves: "Curves",
  scale: "One scale",
  overlay: "Overlay",
  fewer: "Fewer",
};
/** What the sheet of scales shows: all scales, the selected one alone, or the selected column of all. */
export const SHOWS = ["all", "scale", "column"] as const;
export type Show = (typeof SHOWS)[number];
export const VISIONS = ["typical", "protan", "deutan", "tritan", "achromat"] as const;
export type SeenAs = (typeof VISIONS)[number];
export const VISION_WORDS: Record<SeenAs, string> = {
  typical: "typical",
  protan: "protan",
  deutan: "deutan",
  tritan: "tritan",
  achromat: "no color",
};

interface Change {
  select?: string | null;
  vision?: SeenAs;
  severity?: number;
  ground?: string;
  area?: Area | null;
  show?: Show;
  picture?: number | null;
}

export function useLooking() {
  const [search, setSearch] = useSearchParams();
  const params = useParams();
  const navigate = useNavigate();
  const vision = VISIONS.find((known) => known === search.get("seen")) ?? "typical";
  const wanted = Number(search.get("severity") ?? 1);
  const severity = Number.isFinite(wanted) ? Math.min(Math.max(wanted, 0), 1) : 1;
  const ground = search.get("ground") ?? "white";
  const select = search.get("at");
  const area = AREAS.find((known) => known === search.get("area")) ?? null;
  const show = SHOWS.find((known) => known === search.get("show")) ?? "all";
  const picture = Number(search.get("picture")) || null;
  const slug = params.slug ?? "";
  const notation = useInterface((state) => state.notation);
  const stage = STAGES.find((known) => known === params.stage) ?? "sources";

  // A scale in all detail is only asked for while a work area or the sheet shows it.
  const detail = stage === "scales" && (show !== "all" || SCALE_AREAS.some((known) => known === area));

  const compare = detail && area === "method";

  const looking = useMemo<Looking>(
    () => ({ vision, severity, ground, select, theme: null, notation, detail, compare }),
    [vision, severity, ground, select, notation, detail, compare],
  );

  const look = useCallback(
    (change: Change) => {
      setSearch(
        (before) => {
          const next = new URLSearchParams(before);
          const put = (name: string, value: string | null | undefined, usual: string) => {
            if (value === undefined) return;
            if (value === null || value === usual) next.delete(name);
            else next.set(name, value);
          };
          put("at", change.select, "");
          put("seen", change.vision, "typical");
          put("severity", change.severity?.toString(), "1");
          put("ground", change.ground, "white");
          put("area", change.area, "");
          put("show", change.show, "all");
          put("picture", change.picture === null ? null : change.picture?.toString(), "");
          return next;
        },
        { replace: true },
      );
    },
    [setSearch],
  );

  const goTo = useCallback(
    (next: Stage, inside?: Area) => {
      const kept = new URLSearchParams(search);
      if (inside) kept.set("area", inside);
      return navigate({ pathname: `/systems/${slug}/${next}`, search: kept.toString() });
    },
    [navigate, slug, search],
  );

  const seeing = useMemo(() => ({ vision, severity }), [vision, severity]);

  return { slug, stage, looking, seeing, area, show, picture, look, goTo };
}
