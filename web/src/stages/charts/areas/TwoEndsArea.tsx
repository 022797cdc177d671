/** Two ends and a quiet middle: one end from a hue, the other from a hue or from what stands far apart for everyone. */
import { Flex, Text } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { client, data, type PaletteView, problemOf } from "../../../api/client";
import { Choice } from "../../../components/Choice";
import { Swatch } from "../../../components/Swatch";
import { ToolButton } from "../../../components/ToolButton";
import { usePart, useWorkspace } from "../../../workspace/hooks";
import { look, useLook } from "../../../workspace/look";
import { Area } from "../../shared/Area";
import {
  added,
  type Diverging,
  freeName,
  remade,
  useNewGround,
  usePaletteNames,
  useShownPalette,
  type Value,
} from "../palette";

export function TwoEndsArea() {
  const shown = useShownPalette();
  return <TwoEnds key={shown?.id ?? ""} shown={shown} />;
}

function TwoEnds({ shown }: { shown: PaletteView | undefined }) {
  const ground = useNewGround();
  const slug = useLook((at) => at.slug);
  const revision = usePart("head", (head) => head.revision);
  const hues = usePart("hues");
  const names = usePaletteNames();
  const { put, putFrom } = useWorkspace();
  const own = shown?.kind === "diverging" ? (shown.make as Diverging) : null;
  const [low, setLow] = useState(() => (own?.low.kind === "hue" ? own.low.hue : (hues[0]?.id ?? "")));
  const value: Value = { kind: "hue", hue: low };
  const query = useQuery({
    queryKey: ["partners", slug, revision, low],
    queryFn: () =>
      data(
        client.POST("/api/systems/{slug}/palette-partners", {
          params: { path: { slug } },
          body: { low: value },
        }),
      ),
    enabled: low !== "",
    retry: false,
  });
  const makeWith = (high: Value): Diverging => ({
    kind: "diverging",
    low: value,
    high,
    exact: own?.exact ?? false,
    middle: own?.middle ?? 0,
    sides: own?.sides ?? "unit",
    classes: own?.classes ?? 9,
    breaks: own?.breaks ?? "equal",
    typed: own?.typed ?? [],
    reversed: own?.reversed ?? false,
    low_words: own?.low_words ?? "",
    high_words: own?.high_words ?? "",
  });
  const add = (high: Value) => {
    const palette = added(freeName(names, "two ends"), makeWith(high), ground);
    return put(palette.edit).then(() => look({ select: palette.key }));
  };
  const act = (high: Value) =>
    own && shown ? putFrom(remade<Diverging>(shown.id, (now) => ({ ...now, low: value, high }))) : add(high);
  const items = hues.map((hue) => ({ value: hue.id, words: hue.name }));
  return (
    <Area
      title="Two ends"
      tools={
        <>
          <Choice label="Low end" value={low} items={items} onChoose={setLow} />
          <Choice
            label="High end"
            value=""
            items={[{ value: "", words: "a hue" }, ...items.filter((each) => each.value !== low)]}
            onChoose={(hue) => hue && void act({ kind: "hue", hue })}
          />
        </>
      }
      actions={own && <ToolButton onClick={() => void add(own.high)}>Add as another palette</ToolButton>}
    >
      <Text fontSize="12px" marginBottom="6px">
        Both arms are as light at the same distance from the middle. What stands far from the low end, under
        the vision that brings them nearest:
      </Text>
      {query.error && (
        <Text role="alert" fontSize="12px" fontWeight="700">
          {problemOf(query.error).message}
        </Text>
      )}
      <Flex gap="8px" wrap="wrap" data-testid="partners-found">
        {query.data?.map((partner) => (
          <ToolButton
            key={partner.hex}
            onClick={() => void act({ kind: "literal", color: partner.exact, was: "" })}
          >
            <Swatch seen={partner.hex} /> {partner.name} {partner.hex}: {partner.apart} apart
          </ToolButton>
        ))}
      </Flex>
    </Area>
  );
}
