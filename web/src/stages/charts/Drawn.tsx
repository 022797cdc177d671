/** The palette on real charts: every mark takes its color by a class, so that a drag recolors and lays out nothing.
 * Beside it the same charts may stand as designed, or in another palette of the kind. */
import { Box, Flex, Text } from "@chakra-ui/react";
import { type CSSProperties, type ReactNode, useMemo, useState } from "react";
import { type ChartsView, type PaletteView, problemOf } from "../../api/client";
import { Choice } from "../../components/Choice";
import { Switch } from "../../components/Switch";
import { usePart, useWorkspace } from "../../workspace/hooks";
import { useInterface } from "../../workspace/interface";
import { useLook, VISION_WORDS } from "../../workspace/look";
import { ByCategory, type Shape, type Third, thirdsOf } from "./ByCategory";
import { ByNumber, type NumberThird } from "./ByNumber";
import { Figures } from "./Figures";
import { GRAY, type Telling } from "./marks/frame";
import { Series } from "./marks/Series";
import { assigned, type Categorical, remade } from "./palette";
import { useCharts } from "./useData";
import { usePainted } from "./usePainted";

const DESIGNED = "designed";
const THIRDS: Record<Third, string> = { points: "points", areas: "areas, added up", alone: "each alone" };
const UNKNOWN = { names: [] as string[], places: [] as (number | null)[] };
const NOTHING: readonly Telling[] = [];

export function Drawn({ palette }: { palette: PaletteView }) {
  const [number, setNumber] = useState<string | null>(null);
  const [figures, setFigures] = useState(false);
  const [litName, setLitName] = useState<string | null>(null);
  const drawn = useInterface((state) => state.drawn);
  const draw = (change: Partial<typeof drawn>) =>
    useInterface.getState().set({ drawn: { ...drawn, ...change } });
  const shape = drawn.shape as Shape;
  const map = drawn.map as NumberThird;
  const { beside } = drawn;
  const palettes = usePart("palettes");
  const { putFrom } = useWorkspace();
  const vision = useLook((at) => at.vision);
  const { charts, error, dataset, known } = useCharts(palette.id, number);
  // Classes are those of the palette that is drawn: another one has to have as many colors.
  const others = palettes.filter(
    (each) =>
      each.id !== palette.id &&
      each.kind === palette.kind &&
      (each.kind === "categorical" || each.colors.length === palette.colors.length),
  );
  const second =
    beside === DESIGNED && vision !== "typical"
      ? asDesigned(palette)
      : others.find((each) => each.id === beside);
  const fewer = useMemo(
    () => charts?.categories && withColors(charts.categories, second?.colors.length ?? 0),
    [charts?.categories, second?.colors.length],
  );
  const grids = useMemo(
    () => [
      ...(charts?.categories ? [charts.categories.by_period] : []),
      ...(charts?.ramp ? [charts.ramp.heat] : []),
    ],
    [charts],
  );
  if (error)
    return (
      <Text role="alert" fontSize="12px" fontWeight="700">
        {problemOf(error).message}
      </Text>
    );
  if (known && !dataset)
    return (
      <Text fontSize="12px" paddingBlock="8px">
        No data yet: drop or paste a table, or open one under Data. It stays with the system.
      </Text>
    );
  if (!charts) return <Box height="230px" />;
  const { categories, ramp } = charts;
  const { names, places } = categories?.series ?? UNKNOWN;
  // What is lit is lit in the charts of every palette that knows it, and in no others.
  const at = litName === null ? -1 : names.indexOf(litName);
  const lit = at < 0 ? null : at;
  const setLit = (category: number | null) =>
    setLitName(category === null ? null : (names[category] ?? null));
  const thirds = categories ? thirdsOf(categories) : [];
  const third = thirds.find((each) => each === drawn.third) ?? thirds[0] ?? "alone";
  const numbers = dataset?.columns.filter((each) => each.kind === "number") ?? [];
  const exchange = (one: number, other: number) => {
    const [from, to] = [names[one] ?? "", names[other] ?? ""];
    const [here, there] = [places[one] ?? null, places[other] ?? null];
    const make = (now: Categorical) => {
      // What has no color yet takes that of the other, which is left without one.
      const one = there === null ? now : assigned(now, there, from);
      return here === null ? one : assigned(one, here, to);
    };
    void putFrom(remade(palette.id, make));
  };
  const charted = (palette: PaletteView) => (
    <>
      {categories && (
        <ByCategory
          categories={palette === second ? (fewer ?? categories) : categories}
          ground={palette.ground_seen}
          ink={palette.ground_ink}
          lit={lit}
          shape={shape}
          third={third}
          told={(palette.make as Categorical).told_by ?? NOTHING}
        />
      )}
      {ramp && <ByNumber ramp={ramp} palette={palette} third={map} />}
    </>
  );
  return (
    <Box data-testid="drawn" borderTop="1px solid" borderColor="border" paddingTop="6px">
      {charts.notes.map((note) => (
        <Text key={note} fontSize="12px">
          {note}
        </Text>
      ))}
      <Flex gap="8px" align="center" wrap="wrap" marginBottom="4px">
        {categories && (
          <Series
            series={categories.series}
            lit={lit}
            onLight={setLit}
            palette={palette}
            onExchange={exchange}
          />
        )}
        <Flex marginLeft="auto" gap="8px" wrap="wrap">
          {(others.length > 0 || vision !== "typical") && (
            <Choice
              label="Beside"
              value={second ? beside : ""}
              items={[
                { value: "", words: "nothing" },
                ...(vision === "typical" ? [] : [{ value: DESIGNED, words: "as designed" }]),
                ...others.map((each) => ({ value: each.id, words: each.name })),
              ]}
              onChoose={(value) => draw({ beside: value })}
            />
          )}
          {ramp && (
            <Choice
              label="Also"
              value={map === "links" && !ramp.links ? "tiles" : map}
              items={[
                { value: "tiles", words: "tiles" },
                { value: "gauge", words: "gauges" },
                ...(ramp.links ? [{ value: "links", words: "a map of places" }] : []),
              ]}
              onChoose={(value) => draw({ map: value })}
            />
          )}
          {categories && (
            <>
              <Choice
                label="Also"
                value={third}
                items={thirds.map((value) => ({ value, words: THIRDS[value] }))}
                onChoose={(value) => draw({ third: value })}
              />
              <Choice
                label="Bars"
                value={shape}
                items={[
                  { value: "stacked", words: "stacked" },
                  { value: "grouped", words: "grouped" },
                ]}
                onChoose={(value) => draw({ shape: value })}
              />
            </>
          )}
          {numbers.length > 1 && categories?.series.column && (
            <Choice
              label="Number"
              value={number ?? ""}
              items={[
                { value: "", words: categories.by_period.title.split(" of ")[1] ?? "" },
                ...numbers.map((each) => ({ value: each.name, words: each.name })),
              ]}
              onChoose={(value) => setNumber(value === "" ? null : value)}
            />
          )}
          <Switch on={figures} onClick={() => setFigures(!figures)}>
            Figures
          </Switch>
        </Flex>
      </Flex>
      {ramp?.legend.problem && (
        <Text role="alert" fontSize="12px" fontWeight="700" marginBottom="4px">
          {ramp.legend.problem}
        </Text>
      )}
      <Painted palette={palette}>{charted(palette)}</Painted>
      <Figures grids={grids} shown={figures} />
      {second && (
        <Box data-testid="beside-drawn" marginTop="4px">
          <Text fontSize="12px" fontWeight="700">
            {beside === DESIGNED
              ? `As designed; above, as seen by ${VISION_WORDS[vision]}`
              : `In ${second.name}`}
          </Text>
          <Painted palette={second}>{charted(second)}</Painted>
        </Box>
      )}
    </Box>
  );
}

/** The charts of a palette for one of so many colors: what has none there is muted. */
export function withColors(categories: NonNullable<ChartsView["categories"]>, count: number) {
  const { series } = categories;
  const places = series.places.map((place) => (place !== null && place < count ? place : null));
  return { ...categories, series: { ...series, places } };
}

/** Gives the marks inside the colors that they name; who has none of its own is muted. */
function Painted({ palette, children }: { palette: PaletteView; children: ReactNode }) {
  const scope = usePainted(palette, GRAY);
  const missing = palette.others.find((each) => each.role === "missing")?.seen ?? GRAY;
  const ground = palette.ground_seen;
  const grounds = useMemo(
    () => ({ "--missing": missing, "--ground": ground }) as CSSProperties,
    [missing, ground],
  );
  return (
    <div className={scope} style={grounds}>
      {children}
    </div>
  );
}

/** A palette as it is published, whatever eyes look at it. */
const asDesigned = (palette: PaletteView): PaletteView => ({
  ...palette,
  ground_seen: palette.ground_hex,
  colors: palette.colors.map((color) => ({ ...color, seen: color.hex })),
  others: palette.others.map((color) => ({ ...color, seen: color.hex })),
});
