/** The colors that a palette over numbers goes through: each named or typed, moved along it, added, removed. */
import { Box, Flex, Text } from "@chakra-ui/react";
import { client, data, type PaletteView } from "../../api/client";
import { PALETTE_SOURCES } from "../../api/constants.generated";
import { Choice } from "../../components/Choice";
import { NumberField } from "../../components/NumberField";
import { Swatch } from "../../components/Swatch";
import { TextField } from "../../components/TextField";
import { Toggle } from "../../components/Toggle";
import { ToolButton } from "../../components/ToolButton";
import { usePart, useWorkspace } from "../../workspace/hooks";
import { useLook } from "../../workspace/look";
import { type Diverging, everyNth, type Sequential, setPalette, type Value } from "./palette";

export function Through({ palette }: { palette: PaletteView }) {
  return palette.kind === "diverging" ? <Ends palette={palette} /> : <Stops palette={palette} />;
}

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
  const { put, keep } = useWorkspace();
  const kept = usePart("stops");
  const named = useNamed();
  const make = palette.make as Sequential;
  const { sources } = make;
  const places = sources.map((_, at) => make.places?.[at] ?? null);
  // Told from the light end to the dark one, whatever was added first.
  const inOrder = palette.through
    .map((stop, at) => ({ stop, at }))
    .sort((one, other) => one.stop.at - other.stop.at);
  const set = (values: Value[], at: (number | null)[]) =>
    setPalette(palette, {
      ...make,
      sources: values,
      places: at.some((each) => each !== null) ? at : [],
    });
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
              await keep([
                set(
                  sources.map((each, place) => (place === at ? value : each)),
                  places,
                ),
              ]);
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
            onCommit={(where) =>
              put(
                set(
                  [...sources],
                  places.map((each, place) => (place === at ? where / 100 : each)),
                ),
              )
            }
          />
          {places[at] !== null && (
            <ToolButton
              aria-label={`Let stop ${at + 1} stand at its own lightness`}
              title="Back to its own lightness"
              onClick={() =>
                void put(
                  set(
                    [...sources],
                    places.map((each, place) => (place === at ? null : each)),
                  ),
                )
              }
            >
              Back
            </ToolButton>
          )}
          {sources.length > 1 && (
            <ToolButton
              aria-label={`Take stop ${at + 1} out`}
              onClick={() =>
                void put(
                  set(
                    sources.filter((_, place) => place !== at),
                    places.filter((_, place) => place !== at),
                  ),
                )
              }
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
            await keep([set([...sources, value], [...places, null])]);
          }}
        />
      )}
      {kept.length > 0 && (
        <Choice
          label="Stops of a picture"
          value=""
          items={[
            { value: "", words: "kept in Sources" },
            ...kept.map((row) => ({ value: row.id, words: row.name })),
          ]}
          onChoose={(id) => {
            const row = kept.find((each) => each.id === id);
            if (!row) return;
            const values = everyNth(row.colors, PALETTE_SOURCES).map(
              (color) => ({ kind: "literal", color: color.hex, was: "" }) as unknown as Value,
            );
            void put(set(values, []));
          }}
        />
      )}
    </Flex>
  );
}

function Ends({ palette }: { palette: PaletteView }) {
  const { put, keep } = useWorkspace();
  const named = useNamed();
  const make = palette.make as Diverging;
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
              await keep([setPalette(palette, { ...make, [end]: value })]);
            }}
          />
        </Flex>
      ))}
      <Toggle
        on={make.exact ?? false}
        title="The ends are these very colors, each at its own lightness; so that they are the same color wherever they stand"
        onClick={() => void put(setPalette(palette, { ...make, exact: !make.exact }))}
      >
        Ends exact
      </Toggle>
      <Box color="fg.muted">
        {make.exact ? "Each arm ends in its color." : "Both arms end as dark; hue and strength are theirs."}
      </Box>
    </Flex>
  );
}
