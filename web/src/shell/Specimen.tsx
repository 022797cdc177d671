/** The specimen beside the sheet: a piece of the product, live, in the sheet's theme or in one of its own. */

import { Box, Flex } from "@chakra-ui/react";
import { useState } from "react";
import { Choice } from "../components/Choice";
import { Specimen as Drawn, type PickedPart, SPECIMENS } from "../components/specimens";
import { PickedColors } from "../components/specimens/PickedColors";
import { usePart } from "../workspace/hooks";
import { useInterface } from "../workspace/interface";
import { look, useLook } from "../workspace/look";
import { useDiffer } from "../workspace/useDiffer";

export function Specimen() {
  const specimen = usePart("specimen");
  const shown = usePart("head", (head) => head.theme?.id);
  const screen = useInterface((state) => state.screen);
  const own = useInterface((state) => state.specimenTheme);
  const set = useInterface((state) => state.set);
  const select = useLook((at) => at.select);
  const differ = useDiffer();
  const [picked, setPicked] = useState<PickedPart | null>(null);
  const theme =
    specimen.themes.find((each) => each.id === own) ??
    specimen.themes.find((each) => each.id === shown) ??
    specimen.themes[0];
  const drawn = SPECIMENS.find((each) => each.id === screen) ?? SPECIMENS[0];
  if (!drawn) return null;
  const Screen = drawn.component;
  const onPick = (part: PickedPart) => {
    setPicked(part);
    const first = part.purposes.map((purpose) => specimen.keys[purpose]).find(Boolean);
    if (first) look({ select: first });
  };
  return (
    <Box
      as="aside"
      aria-label="Specimen"
      width="340px"
      flexShrink={0}
      borderLeft="1px solid"
      borderColor="border"
      bg="bg.subtle"
      padding="8px 14px"
      overflowY="auto"
      tabIndex={0}
      data-testid="specimen"
    >
      <Flex justify="space-between" gap="8px" marginBottom="6px">
        <Choice
          label="Specimen"
          value={drawn.id}
          items={SPECIMENS.map(({ id, words }) => ({ value: id, words }))}
          onChoose={(chosen) => set({ screen: chosen })}
        />
        <Choice
          label="Theme"
          value={own !== null && theme?.id === own ? own : ""}
          items={[
            { value: "", words: "as the sheet" },
            ...specimen.themes.map(({ id, name }) => ({ value: id, words: name })),
          ]}
          onChoose={(chosen) => set({ specimenTheme: chosen || null })}
        />
      </Flex>
      <PickedColors
        picked={picked}
        specimen={specimen}
        selected={select}
        onSelect={(key) => look({ select: key })}
        onDiffer={differ}
      />
      <Drawn specimen={specimen} theme={theme} label={drawn.words} onPick={onPick}>
        <Screen />
      </Drawn>
    </Box>
  );
}
