/** The specimen as the whole sheet: one screen, in one theme or in two side by side. */
import { Box, Flex, Text } from "@chakra-ui/react";
import { useState } from "react";
import { Choice } from "../../components/Choice";
import { type PickedPart, SPECIMENS, Specimen } from "../../components/specimens";
import { PickedColors } from "../../components/specimens/PickedColors";
import { useKnown, usePart } from "../../workspace/hooks";
import { useInterface } from "../../workspace/interface";
import { look, useLook } from "../../workspace/look";
import { useDiffer } from "../../workspace/useDiffer";

export function SpecimenSheet() {
  const specimen = useKnown(({ parts }) => parts?.specimen);
  const shown = usePart("head", (head) => head.theme?.id);
  const screen = useInterface((state) => state.screen);
  const set = useInterface((state) => state.set);
  const select = useLook((at) => at.select);
  const differ = useDiffer();
  const [beside, setBeside] = useState("");
  const [picked, setPicked] = useState<PickedPart | null>(null);
  const drawn = SPECIMENS.find((each) => each.id === screen) ?? SPECIMENS[0];
  if (!drawn || !specimen) return null;
  const Screen = drawn.component;
  const themes = specimen.themes.filter((each) => each.id === shown);
  const other = specimen.themes.find((each) => each.id === beside);
  if (other) themes.push(other);
  const onPick = (theme: string) => (part: PickedPart) => {
    setPicked(part);
    const first = part.purposes.map((purpose) => specimen.keys[purpose]).find(Boolean);
    look({ theme, ...(first ? { select: first } : {}) });
  };
  return (
    <Box padding="0 20px 20px" data-testid="specimen-sheet">
      <Flex gap="8px" align="center" wrap="wrap" marginBottom="8px" minHeight="26px">
        <Choice
          label="Specimen"
          value={drawn.id}
          items={SPECIMENS.map(({ id, words }) => ({ value: id, words }))}
          onChoose={(chosen) => set({ screen: chosen })}
        />
        <Choice
          label="Beside it"
          value={beside}
          items={[
            { value: "", words: "nothing" },
            ...specimen.themes
              .filter((each) => each.id !== shown)
              .map(({ id, name }) => ({ value: id, words: name })),
          ]}
          onChoose={setBeside}
        />
        {picked ? (
          <PickedColors
            picked={picked}
            specimen={specimen}
            selected={select}
            onSelect={(key) => look({ select: key })}
            onDiffer={differ}
          />
        ) : (
          <Text fontSize="12px" color="fg.muted">
            Click a part to see which tokens color it.
          </Text>
        )}
      </Flex>
      <Flex>
        {themes.map((theme) => (
          <Box key={theme.id} flex="1 1 0" minWidth="0">
            <Specimen
              specimen={specimen}
              theme={theme}
              label={`${drawn.words}, ${theme.name}`}
              onPick={onPick(theme.id)}
            >
              <Screen />
            </Specimen>
          </Box>
        ))}
      </Flex>
    </Box>
  );
}
