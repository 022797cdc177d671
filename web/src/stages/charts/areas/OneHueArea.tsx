/** From little to much: a way through one hue or several, even in every step. */
import { Flex, Text } from "@chakra-ui/react";
import { useState } from "react";
import { PALETTE_SOURCES } from "../../../api/constants.generated";
import { Toggle } from "../../../components/Toggle";
import { ToolButton } from "../../../components/ToolButton";
import { usePart, useWorkspace } from "../../../workspace/hooks";
import { look } from "../../../workspace/look";
import { Area } from "../../shared/Area";
import {
  added,
  freeName,
  type Sequential,
  setPalette,
  usePaletteNames,
  useShownPalette,
  type Value,
} from "../palette";

export function OneHueArea() {
  const hues = usePart("hues");
  const names = usePaletteNames();
  const shown = useShownPalette();
  const { put } = useWorkspace();
  const own = shown?.kind === "sequential" ? (shown.make as Sequential) : null;
  const [chosen, setChosen] = useState<readonly string[]>(
    () =>
      own?.sources.flatMap((each) => (each.kind === "hue" ? [each.hue] : [])) ??
      hues.slice(0, 1).map(({ id }) => id),
  );
  const sources: Value[] = chosen.map((hue) => ({ kind: "hue", hue }));
  const make: Sequential = {
    kind: "sequential",
    sources,
    lightest: own?.lightest ?? 96,
    darkest: own?.darkest ?? 14,
    classes: own?.classes ?? 9,
    breaks: own?.breaks ?? "equal",
    typed: own?.typed ?? [],
    reversed: own?.reversed ?? false,
  };
  const none = chosen.length === 0;
  const many = chosen.length > PALETTE_SOURCES;
  const first = hues.find((hue) => hue.id === chosen[0])?.name ?? "one hue";
  return (
    <Area
      title="One hue"
      actions={
        !none &&
        !many && (
          <>
            {own && shown && (
              <ToolButton onClick={() => void put(setPalette(shown, make))}>Change {shown.name}</ToolButton>
            )}
            <ToolButton
              onClick={() => {
                const palette = added(freeName(names, `${first} scale`), make, shown?.ground ?? null);
                void put(palette.edit).then(() => look({ select: palette.key }));
              }}
            >
              Add as a palette
            </ToolButton>
          </>
        )
      }
    >
      <Text fontSize="12px" marginBottom="6px">
        Lightness goes one way, the steps are even for typical vision and as even as chroma allows for all
        others. The least value lies nearest the ground, in every theme.
      </Text>
      <Flex gap="6px" wrap="wrap" role="group" aria-label="Hues on the way">
        {hues.map((hue) => (
          <Toggle
            key={hue.id}
            on={chosen.includes(hue.id)}
            onClick={() =>
              setChosen(
                chosen.includes(hue.id) ? chosen.filter((each) => each !== hue.id) : [...chosen, hue.id],
              )
            }
          >
            {hue.name}
          </Toggle>
        ))}
      </Flex>
      {(none || many) && (
        <Text fontSize="12px" fontWeight="700" role="alert" marginTop="6px">
          {none ? "Choose a hue to go through." : `A way goes through at most ${PALETTE_SOURCES} hues.`}
        </Text>
      )}
    </Area>
  );
}
