/** What stands under the head of a stage: its sheet and the work area that is open in it. An area that takes the sheet
 * leaves one strip of what it changes in sight; the sheet comes back where it stood. */
import { Box, type BoxProps } from "@chakra-ui/react";
import { type ReactNode, useLayoutEffect, useRef } from "react";
import styles from "./body.module.css";
import { useRoom } from "./useRoom";
import { useOpenArea, WorkArea } from "./WorkArea";

interface Props extends BoxProps {
  /** What of the sheet stays in sight above an area. */
  strip: ReactNode;
  /** What stands above both. */
  head?: ReactNode;
  /** How much of the sheet is seen at least above an area that takes a part of it. */
  least?: string;
}

export function StageBody({ strip, head, least = "150px", children, ...box }: Props) {
  const { takes, stage } = useRoom();
  const open = useOpenArea() !== null;
  const sheet = useRef<HTMLDivElement>(null);
  const stood = useRef(0);
  useLayoutEffect(() => {
    if (sheet.current) sheet.current.scrollTop = takes ? 0 : stood.current;
  }, [takes]);
  return (
    <>
      <Box
        ref={sheet}
        // What is hidden in it from the eye stays within it.
        position="relative"
        overflowY="auto"
        minHeight={open && !takes ? least : "0"}
        {...(takes ? { className: styles.strip, flex: "0 0 auto", maxHeight: "46%" } : { flex: "1 1 0" })}
        {...box}
        {...(takes ? { padding: "8px 20px" } : {})}
        data-sheet={stage}
        data-strip={takes || undefined}
        onScroll={({ currentTarget }) => {
          if (!takes) stood.current = currentTarget.scrollTop;
        }}
      >
        {head}
        {takes ? strip : children}
      </Box>
      <WorkArea />
    </>
  );
}
