/** From little to much: a way through one hue or several, even in every step. */
import { Flex, Text } from "@chakra-ui/react";
import { useState } from "react";
import type { PaletteView } from "../../../api/client";
import { PALETTE_SOURCES } from "../../../api/constants.generated";
import { Switch } from "../../../components/Switch";
import { ToolButton } from "../../../components/ToolButton";
import { usePart, useWorkspace } from "../../../workspace/hooks";
import { look } from "../../../workspace/look";
import { Area } from "../../shared/Area";
import {
  added,
  freeName,
  remade,
  type Sequential,
  useNewGround,
  usePaletteNames,
  useShownPalette,
  type Value,
} from "../palette";

export function OneHueArea() {
  const shown = useShownPalette();
  return <OneHue key={shown?.id ?? ""} shown={shown} />;
}

function OneHue({ shown }: { shown: PaletteView | undefined }) {
  const ground = useNewGround();
  const hues = usePart("hues");
  const names = usePaletteNames();
  const { put, putFrom } = useWorkspace();
  const own = shown?.kind === "sequential" ? (shown.make as Sequential) : null;
  const [chosen, setChosen] = useState<readonly string[]>(
    () =>
      own?.sources.flatMap((each) => (each.kind === "hue" ? [each.hue] : [])) ??
      hues.slice(0, 1).map(({ id }) => id),
  );
  const through = throughOf(own, chosen);
  const way = {
    sources: through.map(({ value }) => value),
    places: through.some(({ place }) => place !== null) ? through.map(({ place }) => place) : [],
  };
  const make: Sequential = {
    kind: "sequential",
    ...way,
    lightest: own?.lightest ?? 96,
    darkest: own?.darkest ?? 14,
    classes: own?.classes ?? 9,
    breaks: own?.breaks ?? "equal",
    typed: own?.typed ?? [],
    reversed: own?.reversed ?? false,
  };
  const none = through.length === 0;
  const many = through.length > PALETTE_SOURCES;
  const others = through.filter(({ value }) => value.kind !== "hue").length;
  const first = hues.find((hue) => hue.id === chosen[0])?.name ?? "one hue";
  return (
    <Area
      title="One hue"
      actions={
        !none &&
        !many && (
          <>
            {own && shown && (
              <ToolButton
                onClick={() => void putFrom(remade<Sequential>(shown.id, (now) => ({ ...now, ...way })))}
              >
                Change {shown.name}
              </ToolButton>
            )}
            <ToolButton
              onClick={() => {
                const palette = added(freeName(names, `${first} scale`), make, ground);
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
          <Switch
            key={hue.id}
            on={chosen.includes(hue.id)}
            onClick={() =>
              setChosen(
                chosen.includes(hue.id) ? chosen.filter((each) => each !== hue.id) : [...chosen, hue.id],
              )
            }
          >
            {hue.name}
          </Switch>
        ))}
      </Flex>
      {others > 0 && (
        <Text fontSize="12px" marginTop="6px">
          It also goes through {others === 1 ? "a color that is no hue" : `${others} colors that are no hues`}
          : they stay.
        </Text>
      )}
      {(none || many) && (
        <Text fontSize="12px" fontWeight="700" role="alert" marginTop="6px">
          {none
            ? "Choose a hue to go through."
            : `A way goes through at most ${PALETTE_SOURCES} colors; these are ${through.length}.`}
        </Text>
      )}
    </Area>
  );
}

/** What a way goes through: what it went through already, without the hues that are chosen no more, then new hues. */
export function throughOf(own: Sequential | null, chosen: readonly string[]) {
  const stays = (value: Value) => value.kind !== "hue" || chosen.includes(value.hue);
  const before = (own?.sources ?? [])
    .map((value, at) => ({ value, place: own?.places?.[at] ?? null }))
    .filter(({ value }) => stays(value));
  const there = before.flatMap(({ value }) => (value.kind === "hue" ? [value.hue] : []));
  const added = chosen.filter((hue) => !there.includes(hue));
  return [...before, ...added.map((hue) => ({ value: { kind: "hue", hue } as Value, place: null }))];
}
