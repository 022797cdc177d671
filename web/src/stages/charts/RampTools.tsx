/** How a palette over numbers is made: its classes, where they end, its direction, its middle and the words at its ends. */
import { Text } from "@chakra-ui/react";
import type { PaletteView } from "../../api/client";
import { Choice } from "../../components/Choice";
import { NumberField } from "../../components/NumberField";
import { TextField } from "../../components/TextField";
import { Toggle } from "../../components/Toggle";
import { ToolButton } from "../../components/ToolButton";
import { useWorkspace } from "../../workspace/hooks";
import { type Diverging, type Sequential, setPalette } from "./palette";

const CLASSES = [
  { value: "", words: "continuous" },
  ...[3, 4, 5, 6, 7, 8, 9, 10, 11, 12].map((count) => ({ value: `${count}`, words: `${count} classes` })),
];
const BREAKS = [
  { value: "equal", words: "equal intervals" },
  { value: "quantiles", words: "quantiles" },
  { value: "natural", words: "natural breaks" },
  { value: "typed", words: "typed" },
];

export function RampTools({ palette }: { palette: PaletteView }) {
  const { put, keep } = useWorkspace();
  const make = palette.make as Sequential | Diverging;
  const set = (change: object) => put(setPalette(palette, { ...make, ...change } as typeof make));
  const classes = make.classes ?? null;
  const typed = make.typed ?? [];
  const typeBreaks = async (text: string) => {
    const breaks = text
      .split(/[\s;]+/)
      .filter(Boolean)
      .map(Number);
    const wrong = text.split(/[\s;]+/).find((each) => each && !Number.isFinite(Number(each)));
    if (wrong) throw new Error(`“${wrong}” is no number. Put a space between breaks.`);
    await keep([
      setPalette(palette, {
        ...make,
        breaks: "typed",
        typed: breaks,
        classes: Math.max(breaks.length + 1, 2),
      } as typeof make),
    ]);
  };
  return (
    <>
      <Choice
        label=""
        of={`of ${palette.name}`}
        value={`${classes ?? ""}`}
        items={CLASSES}
        onChoose={(count) =>
          set({
            classes: count === "" ? null : Number(count),
            ...(make.breaks === "typed" ? { breaks: "equal", typed: [] } : {}),
          })
        }
      />
      {classes !== null && (
        <Choice
          label="Breaks"
          value={make.breaks ?? "equal"}
          items={BREAKS}
          onChoose={(breaks) => set({ breaks, ...(breaks === "typed" ? {} : { typed: [] }) })}
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
      <Toggle on={make.reversed ?? false} onClick={() => set({ reversed: !make.reversed })}>
        Reversed
      </Toggle>
      {make.kind === "diverging" ? (
        <>
          <Text fontSize="12px">Middle at</Text>
          <NumberField
            label="The value at the middle"
            value={make.middle ?? 0}
            low={-1e9}
            high={1e9}
            step={1}
            places={2}
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
            onCommit={(low_words) => keep([setPalette(palette, { ...make, low_words })])}
          />
          <TextField
            label="What the high end means"
            hideLabel
            placeholder="high end"
            width="80px"
            value={make.high_words ?? ""}
            onCommit={(high_words) => keep([setPalette(palette, { ...make, high_words })])}
          />
          <ToolButton onClick={() => set({ low: make.high, high: make.low })}>Swap the ends</ToolButton>
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
