/** The colors that a palette over numbers goes through: each named or typed, moved along it, added, removed. */
import { Box, Flex, Text } from "@chakra-ui/react";
import { client, data, type PaletteView } from "../../api/client";
import { PALETTE_SOURCES } from "../../api/constants.generated";
import { Choice } from "../../components/Choice";
import { NumberField } from "../../components/NumberField";
import { Swatch } from "../../components/Swatch";
import { Switch } from "../../components/Switch";
import { TextField } from "../../components/TextField";
import { ToolButton } from "../../components/ToolButton";
import { usePart, useWorkspace } from "../../workspace/hooks";
import { useLook } from "../../workspace/look";
import { type Diverging, everyNth, remade, type Sequential, type Value } from "./palette";

export function Through({ palette }: { palette: PaletteView }) {
  return palette.kind === "diverging" ? <Ends palette={palette} /> : <Stops palette={palette} />;
}

interface Stop {
  value: Value;
  /** Where it stands, from 0 at the light end; null at its own lightness. */
  place: number | null;
}

const stopsOf = ({ sources, places }: Sequential): Stop[] =>
  sources.map((value, at) => ({ value, place: places?.[at] ?? null }));

/** With the last of its stops gone there would be no palette: it stays as it is. */
const withStops = (make: Sequential, stops: readonly Stop[]): Sequential =>
  stops.length === 0
    ? make
    : {
        ...make,
        sources: stops.map(({ value }) => value),
        places: stops.some(({ place }) => place !== null) ? stops.map(({ place }) => place) : [],
      };

function useNamed() {
  const slug = useLook((at) => at.slug);
  return async (text: string) => {
    const named = await data(
      client.GET("/api/systems/{slug}/value-named", { params: { path: { slug }, query: { text } } }),
    );
    return named.value as Value;
  };
}

function Stops({ palette }: { palette: PaletteView }) {
  const { putFrom, keep } = useWorkspace();
  const kept = usePart("stops");
  const named = useNamed();
  const make = palette.make as Sequential;
  const { sources } = make;
  const places = sources.map((_, at) => make.places?.[at] ?? null);
  // Told from the light end to the dark one, whatever was added first.
  const inOrder = palette.through
    .map((stop, at) => ({ stop, at }))
    .sort((one, other) => one.stop.at - other.stop.at);
  const set = (change: (stops: readonly Stop[]) => readonly Stop[]) =>
    remade<Sequential>(palette.id, (now) => {
      const stops = stopsOf(now);
      const next = change(stops);
      return next === stops ? now : withStops(now, next);
    });
  /** What becomes of one stop, wherever it stands by now: nothing for one that is taken out, or that is gone. */
  const setOne = (at: number, change: (stop: Stop) => Stop[]) => {
    const own = JSON.stringify(sources[at]);
    return set((stops) => {
      const is = (stop: Stop | undefined) => JSON.stringify(stop?.value) === own;
      const place = is(stops[at]) ? at : stops.findIndex(is);
      if (place < 0) return stops;
      return stops.flatMap((stop, each) => (each === place ? change(stop) : [stop]));
    });
  };
  return (
    <Flex gap="10px" wrap="wrap" align="center" paddingBottom="6px" fontSize="12px" data-testid="through">
      <Text fontWeight="700">Through</Text>
      {inOrder.map(({ stop, at }) => (
        <Flex key={`${at} of ${sources.length}`} gap="3px" align="center">
          <Swatch seen={stop.seen} />
          <TextField
            label={`Stop ${at + 1} of ${palette.name}: a name or a color`}
            hideLabel
            width="112px"
            value={stop.words}
            onCommit={async (text) => {
              const value = await named(text);
              await keep(setOne(at, (stop) => [{ ...stop, value }]));
            }}
          />
          <NumberField
            label={`Where stop ${at + 1} stands, from 0 at the light end to 100 at the dark one`}
            value={stop.at}
            low={0}
            high={100}
            step={1}
            places={0}
            unit=" %"
            width="54px"
            onCommit={(where) => putFrom(setOne(at, (stop) => [{ ...stop, place: where / 100 }]))}
          />
          {places[at] !== null && (
            <ToolButton
              aria-label={`Let stop ${at + 1} stand at its own lightness`}
              title="Back to its own lightness"
              onClick={() => void putFrom(setOne(at, (stop) => [{ ...stop, place: null }]))}
            >
              Back
            </ToolButton>
          )}
          {sources.length > 1 && (
            <ToolButton
              aria-label={`Take stop ${at + 1} out`}
              onClick={() => void putFrom(setOne(at, () => []))}
            >
              Out
            </ToolButton>
          )}
        </Flex>
      ))}
      {sources.length < PALETTE_SOURCES && (
        <TextField
          key={`new ${sources.length}`}
          label={`A further stop of ${palette.name}: a name or a color`}
          hideLabel
          placeholder="a further color"
          width="112px"
          value=""
          onCommit={async (text) => {
            if (text.trim() === "") return;
            const value = await named(text);
            await keep(set((stops) => [...stops, { value, place: null }]));
          }}
        />
      )}
      {kept.length > 0 && (
        <Choice
          label="Stops of a picture"
          value=""
          otherwise="kept in Sources"
          items={kept.map((row) => ({ value: row.id, words: row.name }))}
          onChoose={(id) => {
            const row = kept.find((each) => each.id === id);
            if (!row) return;
            const values = everyNth(row.exact, PALETTE_SOURCES).map(
              (color): Value => ({ kind: "literal", color, was: "" }),
            );
            void putFrom(set(() => values.map((value) => ({ value, place: null }))));
          }}
        />
      )}
    </Flex>
  );
}

function Ends({ palette }: { palette: PaletteView }) {
  const { putFrom, keep } = useWorkspace();
  const named = useNamed();
  const make = palette.make as Diverging;
  const set = (change: (now: Diverging) => Partial<Diverging>) =>
    remade<Diverging>(palette.id, (now) => ({ ...now, ...change(now) }));
  return (
    <Flex gap="10px" wrap="wrap" align="center" paddingBottom="6px" fontSize="12px" data-testid="through">
      {(["low", "high"] as const).map((end, at) => (
        <Flex key={end} gap="3px" align="center">
          <Text fontWeight="700">{end === "low" ? "Low end" : "High end"}</Text>
          <Swatch seen={palette.through[at]?.seen ?? ""} />
          <TextField
            label={`The ${end} end of ${palette.name}: a name or a color`}
            hideLabel
            width="130px"
            value={palette.through[at]?.words ?? ""}
            onCommit={async (text) => {
              const value = await named(text);
              await keep(set(() => ({ [end]: value })));
            }}
          />
        </Flex>
      ))}
      <Switch
        on={make.exact ?? false}
        title="The ends are these very colors, each at its own lightness; so that they are the same color wherever they stand"
        onClick={() => void putFrom(set(({ exact }) => ({ exact: !exact })))}
      >
        Ends exact
      </Switch>
      <Box color="fg.muted">
        {make.exact ? "Each arm ends in its color." : "Both arms end as dark; hue and strength are theirs."}
      </Box>
    </Flex>
  );
}
