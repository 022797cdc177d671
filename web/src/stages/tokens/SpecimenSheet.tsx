/** The specimen as the whole sheet: one screen, alone, beside another theme, alternative or release, or in its place. */
import { Box, Flex, Text } from "@chakra-ui/react";
import { useRef, useState } from "react";
import { Choice } from "../../components/Choice";
import { Switch } from "../../components/Switch";
import { type PickedPart, SPECIMENS, Specimen } from "../../components/specimens";
import { PickedColors } from "../../components/specimens/PickedColors";
import { useKnown, usePart } from "../../workspace/hooks";
import { useInterface } from "../../workspace/interface";
import { look, useLook } from "../../workspace/look";
import { useDiffer } from "../../workspace/useDiffer";
import { OWN } from "../shared/own";
import { Lacking } from "./Lacking";
import { OwnPage } from "./OwnPage";
import { SharesOf } from "./SharesOf";
import { type Beside, useBeside } from "./useBeside";
import { useFlip } from "./useFlip";

export function SpecimenSheet() {
  const specimen = useKnown(({ parts }) => parts?.specimen);
  const shown = usePart("head", (head) => head.theme?.id);
  const screen = useInterface((state) => state.screen);
  const set = useInterface((state) => state.set);
  const select = useLook((at) => at.select);
  const differ = useDiffer();
  const [chosen, setChosen] = useState("");
  const [same, setSame] = useState(false);
  const [turned, setTurned] = useState(false);
  const [picked, setPicked] = useState<PickedPart | null>(null);
  const sheet = useRef<HTMLDivElement>(null);
  const { items, beside, problem } = useBeside(chosen, specimen, shown);
  const held = useFlip(same && beside !== null);
  const drawn = SPECIMENS.find((each) => each.id === screen) ?? SPECIMENS[0];
  if (!drawn || !specimen) return null;
  const own = screen === OWN;
  const Screen = drawn.component;
  const theme = specimen.themes.find((each) => each.id === shown) ?? specimen.themes[0];
  const here: Beside = { specimen, theme, name: theme?.name ?? "" };
  const other = beside && same && held !== turned;
  const sides = !beside ? [here] : same ? [other ? beside : here] : [here, beside];
  const onPick = (side: Beside) => (part: PickedPart) => {
    setPicked(part);
    const first = part.purposes.map((purpose) => side.specimen.keys[purpose]).find(Boolean);
    look({
      ...(side.specimen === specimen && side.theme ? { theme: side.theme.id } : {}),
      ...(first ? { select: first } : {}),
    });
  };
  return (
    <Box padding="0 20px 20px" data-testid="specimen-sheet" ref={sheet}>
      <Flex gap="8px" align="center" wrap="wrap" marginBottom="8px" minHeight="26px">
        <Choice
          label="Specimen"
          value={own ? OWN : drawn.id}
          items={[
            ...SPECIMENS.map(({ id, words }) => ({ value: id, words })),
            { value: OWN, words: "a page of our own" },
          ]}
          onChoose={(wanted) => set({ screen: wanted })}
        />
        {!own && <Choice label="Beside it" value={chosen} items={items} onChoose={setChosen} />}
        {!own && beside && (
          <Switch on={same} onClick={() => setSame(!same)}>
            In the same place
          </Switch>
        )}
        {!own && beside && same && (
          <Switch on={turned} title="Or hold x" onClick={() => setTurned(!turned)}>
            {other ? beside.name : `${here.name}; hold x for ${beside.name}`}
          </Switch>
        )}
        {problem && (
          <Text role="alert" fontSize="12px">
            {problem}
          </Text>
        )}
        {!own && <SharesOf screen={drawn.id} theme={theme?.id ?? ""} specimen={specimen} />}
        {own ? null : picked ? (
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
      {!own && <Lacking sheet={sheet} screen={drawn.id} specimen={specimen} />}
      {own && <OwnPage />}
      <Flex hidden={own}>
        {!own &&
          sides.map((side) => (
            <Box key={side === here ? "here" : "beside"} flex="1 1 0" minWidth="0">
              <Specimen
                specimen={side.specimen}
                theme={side.theme}
                label={`${drawn.words}, ${side.name}`}
                onPick={onPick(side)}
              >
                <Screen />
              </Specimen>
            </Box>
          ))}
      </Flex>
    </Box>
  );
}
