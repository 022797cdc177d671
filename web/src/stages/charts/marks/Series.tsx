/** The categories with their colors: a click lights one in every chart and lets the others step back; one dragged onto
 * another takes its color, and the other way round. */
import { Flex } from "@chakra-ui/react";
import { useState } from "react";
import type { PaletteView } from "../../../api/client";
import { Swatch } from "../../../components/Swatch";
import { Toggle } from "../../../components/Toggle";
import type { Series as SeriesData } from "./frame";

interface Props {
  series: SeriesData;
  palette: PaletteView;
  lit: number | null;
  onLight: (category: number | null) => void;
  /** Two categories, by their places in the series, whose colors are to be exchanged. */
  onExchange: (one: number, other: number) => void;
}

export function Series({ series, palette, lit, onLight, onExchange }: Props) {
  const [dragged, setDragged] = useState<number | null>(null);
  const [over, setOver] = useState<number | null>(null);
  return (
    <Flex gap="6px" wrap="wrap" role="group" aria-label="Categories">
      {series.names.map((name, category) => {
        const place = series.places[category];
        const color = place === null || place === undefined ? undefined : palette.colors[place];
        return (
          <Toggle
            key={name}
            on={lit === category}
            title={`${series.rows[category]?.toLocaleString("en-US")} rows. Drag it onto another to exchange their colors.`}
            onClick={() => onLight(lit === category ? null : category)}
            draggable
            data-category={name}
            data-over={(over === category && dragged !== category) || undefined}
            onDragStart={(event) => {
              event.dataTransfer.setData("text/plain", name);
              setDragged(category);
            }}
            onDragOver={(event) => {
              if (dragged === null) return;
              event.preventDefault();
              setOver(category);
            }}
            onDragEnd={() => {
              setDragged(null);
              setOver(null);
            }}
            onDrop={(event) => {
              if (dragged === null) return;
              event.preventDefault();
              event.stopPropagation();
              if (dragged !== category) onExchange(dragged, category);
            }}
          >
            <Swatch seen={color?.seen ?? "var(--muted)"} /> {name}
          </Toggle>
        );
      })}
    </Flex>
  );
}
