/** The categories with their colors: a click lights one in every chart and lets the others step back. */
import { Flex } from "@chakra-ui/react";
import type { PaletteView } from "../../../api/client";
import { Swatch } from "../../../components/Swatch";
import { Toggle } from "../../../components/Toggle";
import type { Series as SeriesData } from "./frame";

interface Props {
  series: SeriesData;
  palette: PaletteView;
  lit: number | null;
  onLight: (category: number | null) => void;
}

export function Series({ series, palette, lit, onLight }: Props) {
  return (
    <Flex gap="6px" wrap="wrap" role="group" aria-label="Categories">
      {series.names.map((name, category) => {
        const place = series.places[category];
        const color = place === null || place === undefined ? undefined : palette.colors[place];
        return (
          <Toggle
            key={name}
            on={lit === category}
            title={`${series.rows[category]?.toLocaleString("en-US")} rows`}
            onClick={() => onLight(lit === category ? null : category)}
          >
            <Swatch seen={color?.seen ?? "#9A9A9A"} /> {name}
          </Toggle>
        );
      })}
    </Flex>
  );
}
