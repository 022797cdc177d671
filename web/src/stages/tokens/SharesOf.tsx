/** How much of the specimen, or of a screenshot, is ground, ink and accent, beside the rule of thumb. */
import { Flex, Text } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { client, data, type Parts, problemOf } from "../../api/client";
import { RULE_OF_THUMB } from "../../api/constants.generated";
import { Choice } from "../../components/Choice";
import { type Painted, paintedAreas } from "../../components/specimens/shares";
import { useLook, useSeeing } from "../../workspace/look";

type Specimen = Parts["specimen"];
type Group = Specimen["groups"][string];

interface Shares {
  percent: Record<Group, number>;
  words: string;
}

const NOTHING = "";
const DRAWN = "drawn";

export function SharesOf({ screen, theme, specimen }: { screen: string; theme: string; specimen: Specimen }) {
  const slug = useLook((at) => at.slug);
  const seeing = useSeeing();
  const [of, setOf] = useState(NOTHING);
  const [drawn, setDrawn] = useState<(Shares & { at: string }) | null>(null);
  const path = { params: { path: { slug } } };
  const pictures = useQuery({
    queryKey: ["pictures", slug],
    queryFn: () => data(client.GET("/api/systems/{slug}/pictures", path)),
  });
  const picture = of === NOTHING || of === DRAWN ? null : Number(of);
  const measured = useQuery({
    queryKey: ["shares", slug, picture, theme, seeing, specimen],
    queryFn: () =>
      data(
        client.POST("/api/systems/{slug}/pictures/{picture}/shares", {
          params: { path: { slug, picture: picture ?? 0 } },
          body: { ...seeing, theme },
        }),
      ),
    enabled: picture !== null,
    retry: false,
  });
  const at = `${screen} ${theme}`;
  const measure = () => {
    const root = document.querySelector<HTMLElement>("[data-testid=specimen-sheet] [data-specimen]");
    const colors = specimen.themes.find((each) => each.id === theme)?.colors;
    if (root && colors) setDrawn({ ...sharesOf(root, colors, specimen), at });
  };
  const choose = (wanted: string) => {
    setOf(wanted);
    if (wanted === DRAWN) measure();
  };
  const found: Shares | null =
    of === DRAWN
      ? drawn?.at === at
        ? drawn
        : null
      : measured.data && picture !== null
        ? {
            percent: measured.data,
            words: `${measured.data.unmatched} % is no token’s color${
              measured.data.others.length > 0
                ? `: ${measured.data.others.map((each) => `${each.name} ${each.percent} %`).join(", ")}`
                : ""
            }. Most is ${measured.data.tokens.map((each) => `${each.name} ${each.percent} %`).join(", ")}.`,
          }
        : null;
  return (
    <>
      <Choice
        label="Shares of"
        value={of === DRAWN && drawn?.at !== at ? NOTHING : of}
        items={[
          { value: NOTHING, words: "nothing" },
          { value: DRAWN, words: "this specimen" },
          ...(pictures.data ?? []).map((each) => ({ value: String(each.id), words: `picture ${each.name}` })),
        ]}
        onChoose={choose}
      />
      {measured.error && picture !== null && (
        <Text role="alert" fontSize="12px">
          {problemOf(measured.error).message}
        </Text>
      )}
      {found && (
        <Flex gap="4px 14px" wrap="wrap" fontSize="12px" data-testid="shares" flexBasis="100%">
          {RULE_OF_THUMB.map(({ group, percent }) => (
            <Text key={group}>
              {group} <strong>{found.percent[group].toFixed(0)} %</strong>, by rule of thumb about {percent}
            </Text>
          ))}
          <Text>{found.words}</Text>
        </Flex>
      )}
    </>
  );
}

/** What is likeliest of several purposes that one color has here, where it is painted as a ground, and as a text. */
const LIKELY: Record<keyof Painted, readonly Group[]> = {
  fills: ["ground", "accent", "ink"],
  texts: ["ink", "accent", "ground"],
};
const PAINTED = ["fills", "texts"] as const;

function sharesOf(root: HTMLElement, colors: Record<string, string>, specimen: Specimen): Shares {
  const painted = paintedAreas(root);
  // Several purposes may have one color: only those that are used here can have painted it.
  const used = new Set(
    [...root.querySelectorAll("[data-colors]")].flatMap((part) =>
      (part.getAttribute("data-colors") ?? "").split(" "),
    ),
  );
  const percent: Record<Group, number> = { ground: 0, ink: 0, accent: 0 };
  const accents = new Map<string, number>();
  let all = 0;
  let acts = 0;
  for (const as of PAINTED) {
    const purposes = purposesOf(used, colors, specimen.groups, LIKELY[as]);
    for (const [color, area] of painted[as].all) {
      const purpose = purposes.get(color);
      const group = specimen.groups[purpose ?? ""];
      if (!purpose || !group || area <= 0) continue;
      all += area;
      percent[group] += area;
      if (group !== "accent") continue;
      accents.set(purpose, (accents.get(purpose) ?? 0) + area);
      acts += Math.max(painted[as].acting.get(color) ?? 0, 0);
    }
  }
  const accent = percent.accent;
  for (const group of Object.keys(percent) as Group[])
    percent[group] = all > 0 ? (100 * percent[group]) / all : 0;
  const names = [...accents]
    .sort((one, other) => other[1] - one[1])
    .slice(0, 3)
    .map(([purpose, area]) => `${specimen.names[purpose] ?? purpose} ${((100 * area) / all).toFixed(0)} %`);
  const share = accent > 0 ? (100 * acts) / accent : 0;
  return {
    percent,
    words: `${share.toFixed(0)} % of the accent is on things to act on; most of it is ${names.join(", ") || "nothing"}.`,
  };
}

/** The purpose by which each color, as a browser says it, is painted here. */
function purposesOf(
  used: Set<string>,
  colors: Record<string, string>,
  groups: Specimen["groups"],
  likely: readonly Group[],
): Map<string, string> {
  const rank = (purpose: string) => likely.indexOf(groups[purpose] ?? "ground");
  const found = new Map<string, string>();
  for (const purpose of [...used].sort((one, other) => rank(one) - rank(other))) {
    const hex = colors[`--${purpose.replaceAll(".", "-")}`];
    const color = hex && asComputed(hex);
    if (color && !found.has(color)) found.set(color, purpose);
  }
  return found;
}

/** A color as a browser says it back. */
function asComputed(hex: string): string {
  const [red, green, blue] = [1, 3, 5].map((at) => Number.parseInt(hex.slice(at, at + 2), 16));
  return `rgb(${red}, ${green}, ${blue})`;
}
