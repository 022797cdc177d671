/** The categories with their colors: a click lights one in every chart and lets the others step back; one dragged onto
 * another takes its color, and the other way round. */
import { Flex } from "@chakra-ui/react";
import { memo, useState } from "react";
import type { PaletteView } from "../../../api/client";
import { Swatch } from "../../../components/Swatch";
import { Toggle } from "../../../components/Toggle";
import { useSteady } from "../../../util/useSteady";
import { GRAY, type Series as SeriesData } from "./frame";

interface Props {
  series: SeriesData;
  palette: PaletteView;
  lit: number | null;
  onLight: (category: number | null) => void;
  /** Two categories, by their places in the series, whose colors are to be exchanged. */
  onExchange: (one: number, other: number) => void;
}

export function Series({ series, palette, lit, onLight, onExchange }: Props) {
  const muted = palette.others.find((each) => each.role === "muted")?.seen ?? GRAY;
  const [dragged, setDragged] = useState<number | null>(null);
  const [over, setOver] = useState<number | null>(null);
  const act = useSteady((category: number, what: Happening) => {
    if (what === "click") onLight(lit === category ? null : category);
    else if (what === "drag") setDragged(category);
    else if (what === "over") setOver(category);
    else if (what === "drop" && dragged !== null && dragged !== category) onExchange(dragged, category);
    if (what === "end" || what === "drop") {
      setDragged(null);
      setOver(null);
    }
  });
  return (
    <Flex gap="6px" wrap="wrap" role="group" aria-label="Categories">
      {series.names.map((name, category) => {
        const place = series.places[category];
        const color = place === null || place === undefined ? undefined : palette.colors[place];
        return (
          <Chip
            key={name}
            name={name}
            category={category}
            rows={series.rows[category] ?? 0}
            seen={color?.seen ?? muted}
            lit={lit === category}
            taking={dragged !== null}
            over={over === category && dragged !== category}
            onAct={act}
          />
        );
      })}
    </Flex>
  );
}

type Happening = "click" | "drag" | "over" | "drop" | "end";

interface ChipProps {
  name: string;
  category: number;
  rows: number;
  seen: string;
  lit: boolean;
  /** Whether one is being dragged that could be let go here. */
  taking: boolean;
  over: boolean;
  onAct: (category: number, what: Happening) => void;
}

/** Only those are drawn again whose color changes. */
const Chip = memo(function Chip({ name, category, rows, seen, lit, taking, over, onAct }: ChipProps) {
  return (
    <Toggle
      on={lit}
      title={`${rows.toLocaleString("en-US")} rows. Drag it onto another to exchange their colors.`}
      onClick={() => onAct(category, "click")}
      draggable
      data-category={name}
      data-over={over || undefined}
      onDragStart={(event) => {
        event.dataTransfer.setData("text/plain", name);
        onAct(category, "drag");
      }}
      onDragOver={(event) => {
        if (!taking) return;
        event.preventDefault();
        onAct(category, "over");
      }}
      onDragEnd={() => onAct(category, "end")}
      onDrop={(event) => {
        if (!taking) return;
        event.preventDefault();
        event.stopPropagation();
        onAct(category, "drop");
      }}
    >
      <Swatch seen={seen} /> {name}
    </Toggle>
  );
});
