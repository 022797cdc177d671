/** Legibility: what is to settle first; what else was checked is a work area away. */

import { Box } from "@chakra-ui/react";
import { Choice } from "../../components/Choice";
import type { Item } from "../../components/item";
import { Toolbar } from "../../components/Toolbar";
import { usePart } from "../../workspace/hooks";
import { look } from "../../workspace/look";
import { NextLine } from "../shared/NextLine";
import { StageBody } from "../shared/StageBody";
import { ThemeChoice } from "../shared/ThemeChoice";
import { AreaCommands, AreaOpeners, useOpenArea } from "../shared/WorkArea";
import { BroughtPictures } from "./BroughtPictures";
import { Exceptions } from "./Exceptions";
import { FindingStrip } from "./FindingStrip";
import { Findings } from "./Findings";

const VIEWS: Item<"findings" | "pairings">[] = [
  { value: "findings", words: "findings" },
  { value: "pairings", words: "findings and pairings" },
];

export function LegibilityStage() {
  const open = usePart("findings", (findings) => findings.length);
  const opened = useOpenArea();
  const pairings = opened === "pairings";
  const words = `${open} to settle`;
  return (
    <>
      <Toolbar title="Legibility" words={words} openers={<AreaOpeners />}>
        <ThemeChoice />
        <Choice
          label="Show"
          value={pairings ? "pairings" : "findings"}
          items={VIEWS}
          onChoose={(view) => look({ area: view === "pairings" ? view : null })}
        />
        <AreaCommands />
      </Toolbar>
      <BroughtPictures />
      <StageBody
        strip={<FindingStrip />}
        least="120px"
        paddingInline="20px"
        paddingBottom="20px"
        tabIndex={0}
        role="group"
        aria-label="Checks"
        data-entry
      >
        {open > 0 && (
          <Box paddingTop="8px">
            <NextLine stage="legibility">
              settle the first finding: the ways to do it stand under it, the nearest first.
            </NextLine>
          </Box>
        )}
        <Findings />
        <Exceptions />
      </StageBody>
    </>
  );
}
