/** How a palette over numbers is made: its classes, where they end, its direction, its middle and the words at its ends. */
import { Text } from "@chakra-ui/react";
import type { PaletteView } from "../../api/client";
import { Choice } from "../../components/Choice";
import { NumberField } from "../../components/NumberField";
import { Switch } from "../../components/Switch";
import { TextField } from "../../components/TextField";
import { ToolButton } from "../../components/ToolButton";
import { useWorkspace } from "../../workspace/hooks";
import { breaksFrom, breaksOf, grainOf } from "./breaks";
import { type Diverging, remade, type Sequential } from "./palette";
import { useCharts } from "./useData";

type Ramp = Sequential | Diverging;

const COUNTS = [2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12];
const BREAKS = [
  { value: "equal", words: "equal intervals" },
  { value: "quantiles", words: "quantiles" },
  { value: "natural", words: "natural breaks" },
  { value: "typed", words: "typed" },
];

export function RampTools({ palette }: { palette: PaletteView }) {
  const { putFrom, keep } = useWorkspace();
  const legend = useCharts(palette.id, null).charts?.ramp?.legend;
  const make = palette.make as Ramp;
  const changed = (change: object | ((now: Ramp) => object)) =>
    remade<Ramp>(
      palette.id,
      (now) => ({ ...now, ...(typeof change === "function" ? change(now) : change) }) as Ramp,
    );
  const set = (change: object | ((now: Ramp) => object)) => putFrom(changed(change));
  const classes = make.classes ?? null;
  const typed = make.typed ?? [];
  const grain = grainOf(legend);
  const typeBreaks = async (text: string) => {
    const breaks = breaksOf(text);
    await keep(changed({ breaks: "typed", typed: breaks, classes: breaks.length + 1 }));
  };
  const counts = classes === null || COUNTS.includes(classes) ? COUNTS : [...COUNTS, classes];
  return (
    <>
      <Choice
        label=""
        of={`of ${palette.name}`}
        value={`${classes ?? ""}`}
        items={[
          { value: "", words: "continuous" },
          ...counts.map((count) => ({ value: `${count}`, words: `${count} classes` })),
        ]}
        onChoose={(count) =>
          set((now) => ({
            classes: count === "" ? null : Number(count),
            ...(now.breaks === "typed" ? { breaks: "equal", typed: [] } : {}),
          }))
        }
      />
      {classes !== null && (
        <Choice
          label="Breaks"
          value={make.breaks ?? "equal"}
          items={BREAKS}
          onChoose={(breaks) => set({ breaks, typed: breaks === "typed" ? breaksFrom(legend) : [] })}
        />
      )}
      {classes !== null && make.breaks === "typed" && (
        <TextField
          label="Breaks, with spaces between"
          hideLabel
          placeholder="0.2 0.5 0.8"
          width="140px"
          value={typed.join(" ")}
          onCommit={typeBreaks}
        />
      )}
      <Switch on={make.reversed ?? false} onClick={() => set(({ reversed }) => ({ reversed: !reversed }))}>
        Reversed
      </Switch>
      {make.kind === "diverging" ? (
        <>
          <Text fontSize="12px">Middle at</Text>
          <NumberField
            label="The value at the middle"
            value={make.middle ?? 0}
            low={-1e12}
            high={1e12}
            step={grain.step}
            places={grain.places}
            most={6}
            onCommit={(middle) => set({ middle })}
          />
          <Choice
            label="Sides"
            value={make.sides ?? "unit"}
            items={[
              { value: "unit", words: "equal color, equal value" },
              { value: "full", words: "each to its end" },
            ]}
            onChoose={(sides) => set({ sides })}
          />
          <TextField
            label="What the low end means"
            hideLabel
            placeholder="low end"
            width="80px"
            value={make.low_words ?? ""}
            onCommit={(low_words) => keep(changed({ low_words }))}
          />
          <TextField
            label="What the high end means"
            hideLabel
            placeholder="high end"
            width="80px"
            value={make.high_words ?? ""}
            onCommit={(high_words) => keep(changed({ high_words }))}
          />
          <ToolButton
            onClick={() => set((now) => ({ low: (now as Diverging).high, high: (now as Diverging).low }))}
          >
            Swap the ends
          </ToolButton>
        </>
      ) : (
        <>
          <Text fontSize="12px">L* from</Text>
          <NumberField
            label="L* of the light end"
            value={make.lightest ?? 96}
            low={40}
            high={99}
            step={1}
            places={0}
            onCommit={(lightest) => set({ lightest })}
          />
          <Text fontSize="12px">to</Text>
          <NumberField
            label="L* of the dark end"
            value={make.darkest ?? 14}
            low={2}
            high={60}
            step={1}
            places={0}
            onCommit={(darkest) => set({ darkest })}
          />
        </>
      )}
    </>
  );
}
