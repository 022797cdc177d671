/** Charts by number: a legend with the values in each class, a heat map, and one more, on the ground of a palette. */
import { Grid } from "@chakra-ui/react";
import type { ChartsView, PaletteView } from "../../api/client";
import { Cells } from "./marks/Cells";
import { Gauge } from "./marks/Gauge";
import { Legend } from "./marks/Legend";
import { Links } from "./marks/Links";

export type NumberThird = "tiles" | "gauge" | "links";

interface Props {
  ramp: NonNullable<ChartsView["ramp"]>;
  palette: PaletteView;
  third: NumberThird;
}

export function ByNumber({ ramp, palette, third }: Props) {
  const ink = palette.ground_ink;
  return (
    <Grid
      templateColumns="1fr 1fr 1fr"
      gap="20px"
      padding="4px 8px"
      data-sample
      style={{ background: palette.ground_seen }}
    >
      <Legend legend={ramp.legend} palette={palette} ink={ink} />
      <Cells grid={ramp.heat} ink={ink} />
      {third === "gauge" ? (
        <Gauge gauge={ramp.gauge} palette={palette} ink={ink} />
      ) : third === "links" && ramp.links ? (
        <Links links={ramp.links} ink={ink} />
      ) : (
        <Cells grid={ramp.tiles} ink={ink} />
      )}
    </Grid>
  );
}
