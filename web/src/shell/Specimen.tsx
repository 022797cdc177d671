/** The specimen beside the sheet: a piece of the product, live, in the sheet's theme or in one of its own. */

import { Box, Flex } from "@chakra-ui/react";
import { type ReactNode, useLayoutEffect, useRef, useState } from "react";
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
      width="clamp(340px, 26.5vw, 33vw)"
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
      <Fitted key={drawn.id}>
        <Drawn specimen={specimen} theme={theme} label={drawn.words} onPick={onPick}>
          <Screen />
        </Drawn>
      </Fitted>
    </Box>
  );
}

/** From the largest that is wanted to the smallest in which text can still be judged: what is longer is scrolled. */
const SIZES = Array.from({ length: 15 }, (_, place) => 1.5 - place * 0.05);
const USUAL_WIDTH = 340;
const FOOT = 8;

/** As large as lets all of it be seen at once: smaller on a low page, larger on a wide one. */
function Fitted({ children }: { children: ReactNode }) {
  const box = useRef<HTMLDivElement>(null);
  useLayoutEffect(() => {
    const fitted = box.current;
    const around = fitted?.parentElement;
    if (!fitted || !around) return;
    const fit = () => {
      const room = around.clientHeight - (fitted.offsetTop - around.offsetTop) - FOOT;
      const widest = around.offsetWidth / USUAL_WIDTH;
      for (const size of SIZES) {
        if (size > widest + 0.01) continue;
        fitted.style.zoom = `${size}`;
        if (fitted.getBoundingClientRect().height <= room) break;
      }
    };
    const watching = new ResizeObserver(fit);
    watching.observe(around);
    return () => watching.disconnect();
  }, []);
  return <div ref={box}>{children}</div>;
}
