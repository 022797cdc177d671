/** Charts by category: lines, bars, and one more, on the ground of a palette. */
import { Grid } from "@chakra-ui/react";
import type { ChartsView } from "../../api/client";
import { Bars } from "./marks/Bars";
import type { Told } from "./marks/frame";
import { Lines } from "./marks/Lines";
import { Multiples } from "./marks/Multiples";
import { Scatter } from "./marks/Scatter";

export type Third = "points" | "areas" | "alone";
export type Shape = "stacked" | "grouped";

interface Props {
  categories: NonNullable<ChartsView["categories"]>;
  ground: string;
  ink: string;
  lit: number | null;
  shape: Shape;
  third: Third;
  told: Told;
}

/** What can be drawn third: points where there are two numbers, areas added up where nothing is below zero. */
export function thirdsOf({ scatter, by_period }: Props["categories"]): readonly Third[] {
  const below = by_period.values.some((row) => row.some((value) => (value ?? 0) < 0));
  return [...(scatter ? ["points" as const] : []), ...(below ? [] : ["areas" as const]), "alone"];
}

export function ByCategory({ categories, ground, ink, lit, shape, third, told }: Props) {
  const { by_period, scatter, series } = categories;
  const shared = { series, lit, ink, told };
  return (
    <Grid
      templateColumns="1fr 1fr 1fr"
      gap="20px"
      padding="4px 8px"
      data-sample
      style={{ background: ground }}
    >
      <Lines grid={by_period} {...shared} />
      <Bars grid={by_period} shape={shape} {...shared} />
      {third === "points" && scatter ? (
        <Scatter scatter={scatter} {...shared} />
      ) : third === "alone" ? (
        <Multiples grid={by_period} {...shared} />
      ) : (
        <Lines grid={by_period} area {...shared} />
      )}
    </Grid>
  );
}
