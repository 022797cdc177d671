/** Charts: palettes as strips, the selected one on real data, and how far apart its colors are. */
import { Box, Flex, Text } from "@chakra-ui/react";
import { memo, useLayoutEffect, useRef } from "react";
import { ToolButton } from "../../components/ToolButton";
import { Toolbar } from "../../components/Toolbar";
import { usePart } from "../../workspace/hooks";
import { look } from "../../workspace/look";
import { NextLine } from "../shared/NextLine";
import { StageBody } from "../shared/StageBody";
import { ThemeChoice } from "../shared/ThemeChoice";
import { AreaOpeners } from "../shared/WorkArea";
import { BroughtData } from "./BroughtData";
import { DataChoice } from "./DataChoice";
import { Drawn } from "./Drawn";
import { EvenSteps } from "./EvenSteps";
import { HowFarApart } from "./HowFarApart";
import { PaletteFindings } from "./PaletteFindings";
import { PaletteRow } from "./PaletteRow";
import { PaletteTools } from "./PaletteTools";
import { useShownPalette } from "./palette";
import { Through } from "./Through";
import { useWalking } from "./useWalking";

/** Palettes that have room above their charts. */
const MOST_SHOWN = 7;

/** While a hue is dragged nothing of it changes: it is not drawn again. */
const Head = memo(function Head({ words }: { words: string }) {
  return (
    <Toolbar title="Charts" words={words} openers={<AreaOpeners />}>
      <ThemeChoice />
      <DataChoice />
    </Toolbar>
  );
});

export function ChartsStage() {
  const palettes = usePart("palettes");
  const shown = useShownPalette();
  const onKeyDown = useWalking(palettes);
  const list = useRef<HTMLDivElement>(null);
  const id = shown?.id;
  useLayoutEffect(() => {
    if (id) list.current?.querySelector("[data-shown]")?.scrollIntoView({ block: "nearest" });
  }, [id]);
  const words = palettes.length === 1 ? "1 palette" : `${palettes.length} palettes`;
  return (
    <>
      <Head words={words} />
      <BroughtData />
      <StageBody
        strip={
          shown ? (
            <Box onKeyDown={onKeyDown}>
              <PaletteRow palette={shown} shown low />
              <PaletteTools key={shown.id} palette={shown} />
              <PaletteFindings palette={shown} />
            </Box>
          ) : (
            <Text fontSize="12px">No palettes yet.</Text>
          )
        }
        least="120px"
        padding="8px 20px 20px"
        tabIndex={0}
        role="group"
        aria-label="Palettes and charts"
      >
        {palettes.length > 0 && (
          <NextLine stage="charts">click a palette: the charts below are drawn in it.</NextLine>
        )}
        {palettes.length === 0 && (
          <Flex gap="8px" wrap="wrap" align="center" paddingBlock="12px">
            <Text>No palettes yet.</Text>
            <ToolButton onClick={() => look({ area: "generate" })}>Make colors for categories</ToolButton>
            <ToolButton onClick={() => look({ area: "one-hue" })}>One hue, from little to much</ToolButton>
            <ToolButton onClick={() => look({ area: "two-ends" })}>Two ends and a middle</ToolButton>
          </Flex>
        )}
        {/* Of many palettes the list scrolls by itself: the one that is worked on stays in sight with its charts. */}
        <Flex
          ref={list}
          direction="column"
          maxHeight={palettes.length > MOST_SHOWN ? "300px" : undefined}
          overflowY={palettes.length > MOST_SHOWN ? "auto" : undefined}
          flexShrink={0}
          onKeyDown={onKeyDown}
          data-testid="palettes"
        >
          {palettes.map((palette) => (
            <PaletteRow key={palette.id} palette={palette} shown={palette.id === shown?.id} />
          ))}
        </Flex>
        {shown && (
          <>
            <PaletteTools key={shown.id} palette={shown} />
            {shown.kind !== "categorical" && <Through key={`through ${shown.id}`} palette={shown} />}
            <Drawn palette={shown} />
            {shown.kind === "categorical" ? <HowFarApart palette={shown} /> : <EvenSteps palette={shown} />}
            <PaletteFindings palette={shown} />
          </>
        )}
      </StageBody>
    </>
  );
}
