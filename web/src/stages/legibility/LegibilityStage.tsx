/** Legibility: what is to settle first; what else was checked is a work area away. */

import { Box } from "@chakra-ui/react";
import { Choice } from "../../components/Choice";
import type { Item } from "../../components/item";
import { Toolbar } from "../../components/Toolbar";
import { usePart } from "../../workspace/hooks";
import { look } from "../../workspace/look";
import { ThemeChoice } from "../shared/ThemeChoice";
import { AreaCommands, AreaOpeners, useOpenArea, WorkArea } from "../shared/WorkArea";
import { BroughtPictures } from "./BroughtPictures";
import { Exceptions } from "./Exceptions";
import { Findings } from "./Findings";

const VIEWS: Item<"findings" | "pairings">[] = [
  { value: "findings", words: "findings" },
  { value: "pairings", words: "findings and pairings" },
];

export function LegibilityStage() {
  const open = usePart("findings", (findings) => findings.length);
  const opened = useOpenArea();
  const area = opened !== null;
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
      <Box
        flex="1 1 0"
        minHeight={area ? "120px" : "0"}
        overflowY="auto"
        paddingInline="20px"
        paddingBottom="20px"
        tabIndex={0}
        role="group"
        aria-label="Checks"
      >
        <Findings />
        <Exceptions />
      </Box>
      <WorkArea />
    </>
  );
}
