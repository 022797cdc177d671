/** The palette on real charts: every mark takes its color from a variable, so that a drag recolors and lays out nothing. */
import { Box, Flex, Grid, Text } from "@chakra-ui/react";
import { type CSSProperties, useMemo, useState } from "react";
import type { PaletteView } from "../../api/client";
import { problemOf } from "../../api/client";
import { Choice } from "../../components/Choice";
import { usePart } from "../../workspace/hooks";
import { Bars } from "./marks/Bars";
import { Cells } from "./marks/Cells";
import { Legend } from "./marks/Legend";
import { Lines } from "./marks/Lines";
import { Multiples } from "./marks/Multiples";
import { Scatter } from "./marks/Scatter";
import { Series } from "./marks/Series";
import { useCharts } from "./useData";

export function Drawn({ palette }: { palette: PaletteView }) {
  const [number, setNumber] = useState<string | null>(null);
  const [lit, setLit] = useState<number | null>(null);
  const [shape, setShape] = useState<"stacked" | "grouped">("stacked");
  const [wanted, setThird] = useState<"points" | "areas" | "alone">("points");
  const { charts, error, dataset, known } = useCharts(palette.id, number);
  const muted = usePart("tokens", (tokens) => tokens.find((each) => each.purpose === "chart.muted")?.seen);
  const colors = useMemo(() => variablesOf(palette, muted ?? "#9A9A9A"), [palette, muted]);
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
  const third = wanted === "points" && !categories?.scatter ? "areas" : wanted;
  const numbers = dataset?.columns.filter((each) => each.kind === "number") ?? [];
  return (
    <Box style={colors} data-testid="drawn" borderTop="1px solid" borderColor="border" paddingTop="6px">
      {charts.notes.map((note) => (
        <Text key={note} fontSize="12px">
          {note}
        </Text>
      ))}
      {categories && (
        <>
          <Flex gap="8px" align="center" wrap="wrap" marginBottom="4px">
            <Series series={categories.series} lit={lit} onLight={setLit} palette={palette} />
            <Flex marginLeft="auto" gap="8px">
              <Choice
                label="Third"
                value={third}
                items={[
                  ...(categories.scatter ? [{ value: "points", words: "points" }] : []),
                  { value: "areas", words: "areas, added up" },
                  { value: "alone", words: "each alone" },
                ]}
                onChoose={(value) => setThird(value as typeof third)}
              />
              <Choice
                label="Bars"
                value={shape}
                items={[
                  { value: "stacked", words: "stacked" },
                  { value: "grouped", words: "grouped" },
                ]}
                onChoose={(value) => setShape(value as typeof shape)}
              />
              {numbers.length > 1 && categories.series.column && (
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
            </Flex>
          </Flex>
          <Grid
            templateColumns="1fr 1fr 1fr"
            gap="20px"
            padding="4px 8px"
            data-sample
            style={{ background: palette.ground_seen }}
          >
            <Lines grid={categories.by_period} series={categories.series} lit={lit} ink={inkOf(palette)} />
            <Bars
              grid={categories.by_period}
              series={categories.series}
              lit={lit}
              ink={inkOf(palette)}
              shape={shape}
            />
            {third === "points" && categories.scatter ? (
              <Scatter
                scatter={categories.scatter}
                series={categories.series}
                lit={lit}
                ink={inkOf(palette)}
              />
            ) : third === "alone" ? (
              <Multiples
                grid={categories.by_period}
                series={categories.series}
                lit={lit}
                ink={inkOf(palette)}
              />
            ) : (
              <Lines
                grid={categories.by_period}
                series={categories.series}
                lit={lit}
                ink={inkOf(palette)}
                area
              />
            )}
          </Grid>
        </>
      )}
      {ramp?.legend.problem && (
        <Text role="alert" fontSize="12px" fontWeight="700" marginBottom="4px">
          {ramp.legend.problem}
        </Text>
      )}
      {ramp && (
        <Grid
          templateColumns="1fr 1fr 1fr"
          gap="20px"
          padding="4px 8px"
          data-sample
          style={{ background: palette.ground_seen }}
        >
          <Legend legend={ramp.legend} palette={palette} ink={inkOf(palette)} />
          <Cells grid={ramp.heat} ink={inkOf(palette)} />
          <Cells grid={ramp.tiles} ink={inkOf(palette)} />
        </Grid>
      )}
    </Box>
  );
}

/** The colors as the marks name them; who has none of its own is muted. */
function variablesOf(palette: PaletteView, muted: string): CSSProperties {
  const named = palette.colors.map((color, place) => [`--c${place}`, color.seen]);
  return { ...Object.fromEntries(named), "--muted": muted } as CSSProperties;
}

/** Words and axes read on the palette's ground. */
const inkOf = (palette: PaletteView) => palette.ground_ink;
