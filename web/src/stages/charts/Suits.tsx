/** Which palettes suit data, by kind: what of the data takes such a palette, and those that there are. */
import { Flex, Text } from "@chakra-ui/react";
import type { DatasetView, PaletteView } from "../../api/client";
import { Swatch } from "../../components/Swatch";
import { ToolButton } from "../../components/ToolButton";
import { usePart } from "../../workspace/hooks";
import { look } from "../../workspace/look";
import { everyNth } from "./palette";

type Kind = PaletteView["kind"];
export const KINDS: readonly Kind[] = ["categorical", "sequential", "diverging"];
/** Where a palette of a kind is made. */
const MADE_IN: Record<Kind, string> = {
  categorical: "generate",
  sequential: "one-hue",
  diverging: "two-ends",
};
const MOST_TOLD = 4;
const MOST_SWATCHES = 6;

/** The columns of data that a kind of palette suits, in words; empty where there are none. */
export function suitedBy(data: DatasetView | undefined, kind: Kind): string {
  const columns = data?.columns.filter((each) => each.suits === kind) ?? [];
  const told = columns.slice(0, MOST_TOLD).map(({ name, why }) => `${name} (${why})`);
  const more = columns.length - told.length;
  return told.join(", ") + (more > 0 ? ` and ${more} more` : "");
}

export function Suits({ data }: { data: DatasetView }) {
  const palettes = usePart("palettes");
  return (
    <Flex direction="column" gap="2px" data-testid="suits-data">
      {KINDS.map((kind) => {
        const columns = suitedBy(data, kind);
        const own = palettes.filter((each) => each.kind === kind);
        return columns === "" ? null : (
          <Flex key={kind} gap="8px" align="center" wrap="wrap" minHeight="30px">
            <Text fontWeight="700">{kind}</Text>
            <Text>for {columns}:</Text>
            {own.map((palette) => (
              <ToolButton
                key={palette.id}
                aria-label={`${palette.name}, a palette for these data`}
                onClick={() => look({ select: `palette:${palette.id}` })}
              >
                <Flex data-sample>
                  {everyNth(palette.colors, MOST_SWATCHES).map((color) => (
                    <Swatch key={color.id} seen={color.seen} />
                  ))}
                </Flex>
                {palette.name}
              </ToolButton>
            ))}
            {own.length === 0 && (
              <ToolButton aria-label={`Make a ${kind} palette`} onClick={() => look({ area: MADE_IN[kind] })}>
                Make one
              </ToolButton>
            )}
          </Flex>
        );
      })}
    </Flex>
  );
}
