/** Legibility: what is to settle first; what else was checked is a work area away. */

import { Box, Flex } from "@chakra-ui/react";
import { Toolbar } from "../../components/Toolbar";
import { usePart } from "../../workspace/hooks";
import { ThemeChoice } from "../shared/ThemeChoice";
import { AreaToggles, useOpenArea, WorkArea } from "../shared/WorkArea";
import { BroughtPictures } from "./BroughtPictures";
import { Exceptions } from "./Exceptions";
import { Findings } from "./Findings";

export function LegibilityStage() {
  const open = usePart("findings", (findings) => findings.length);
  const area = useOpenArea() !== null;
  const words = `${open} to settle`;
  return (
    <>
      <Toolbar title="Legibility" words={words}>
        <ThemeChoice />
      </Toolbar>
      <Flex
        role="group"
        aria-label="What else is checked"
        gap="6px"
        wrap="wrap"
        flexShrink={0}
        paddingInline="20px"
        paddingBottom="8px"
      >
        <AreaToggles />
      </Flex>
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
