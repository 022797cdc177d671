/** Mix: the colors between two, in four spaces at once, one of them taken. */

import { Box, Flex, Text } from "@chakra-ui/react";
import { useState } from "react";
import { client, data, type MixView } from "../../../api/client";
import { FEWEST_MIXED, MOST_MIXED } from "../../../api/constants.generated";
import { Choice } from "../../../components/Choice";
import { Range } from "../../../components/Range";
import { Strip } from "../../../components/Strip";
import { Toggle } from "../../../components/Toggle";
import { usePart } from "../../../workspace/hooks";
import { useSeeing } from "../../../workspace/look";
import { useLatest } from "../../../workspace/useLatest";
import { Area } from "../../shared/Area";
import { TakeTools } from "./TakeTools";
import { useHueItems, useSource } from "./useSource";

const WORDS: Record<MixView["space"], string> = {
  oklab: "OKLab",
  oklch: "OKLCH",
  linear: "linear light",
  srgb: "sRGB",
};

export function MixArea() {
  const hues = usePart("hues");
  const seeing = useSeeing();
  const source = useSource();
  const items = useHueItems();
  const [otherId, setOtherId] = useState<string | null>(null);
  const [count, setCount] = useState(3);
  const [space, setSpace] = useState<MixView["space"]>("oklab");
  const [out, setOut] = useState<ReadonlySet<number>>(new Set());
  const other = hues.find((hue) => hue.id === otherId) ?? hues.find((hue) => hue.id !== source?.id) ?? null;
  const question = source && other ? { one: source.exact, other: other.exact, count, ...seeing } : null;
  const { answer } = useLatest(question, (body) => data(client.POST("/api/mix", { body })));
  if (!source || !other || !answer)
    return (
      <Area title="Mix">
        <Text>{source && other ? "Mixing" : "Mixing needs two hues."}</Text>
      </Area>
    );
  const mix = answer.find((each) => each.space === space);
  const between = mix?.colors.slice(1, -1) ?? [];
  const taken = between.filter((_, place) => !out.has(place + 1));
  const found = taken.map((color) => ({
    color: color.hex,
    note: `between ${source.name} and ${other.name}, in ${WORDS[space]}`,
  }));
  const last = between.length + 1;
  return (
    <Area
      title={`Mix of ${source.name}`}
      tools={
        <>
          <Choice
            label="with"
            value={other.id}
            items={items.filter((item) => item.value !== source.id)}
            onChoose={setOtherId}
          />
          <Range
            label="Between"
            value={count}
            low={FEWEST_MIXED}
            high={MOST_MIXED}
            step={1}
            places={0}
            width="90px"
            onChange={setCount}
          />
        </>
      }
      actions={<TakeTools taken={found} />}
    >
      {answer.map((each) => (
        <Flex key={each.space} align="center" gap="10px" data-mix={each.space}>
          <Toggle on={each.space === space} width="92px" flexShrink={0} onClick={() => setSpace(each.space)}>
            {WORDS[each.space]}
          </Toggle>
          <Box flex="1" minWidth="0">
            {each.space === space ? (
              <Strip
                colors={each.colors}
                height={44}
                label={`Between ${source.name} and ${other.name} in ${WORDS[each.space]}`}
                chosen={
                  new Set(
                    each.colors
                      .map((_, place) => place)
                      .filter((place) => place > 0 && place < last && !out.has(place)),
                  )
                }
                onToggle={(place) => {
                  if (place === 0 || place === last) return;
                  const next = new Set(out);
                  if (!next.delete(place)) next.add(place);
                  setOut(next);
                }}
                texts={each.colors.map((color) => color.hex)}
              />
            ) : (
              <Strip
                colors={each.colors}
                height={30}
                label={`${WORDS[each.space]}: ${each.colors.map((color) => color.hex).join(", ")}`}
                texts={each.colors.map((color) => color.hex)}
              />
            )}
          </Box>
        </Flex>
      ))}
    </Area>
  );
}
