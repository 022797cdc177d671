/** The one thing to do next on a stage, in the order of the work: a line that is closed once and for all. It is there
 * until a first version is out. */
import { Flex, Text } from "@chakra-ui/react";
import type { ReactNode } from "react";
import { ToolButton } from "../../components/ToolButton";
import { usePart } from "../../workspace/hooks";
import { useInterface } from "../../workspace/interface";
import { useOpenArea } from "./WorkArea";

interface Props {
  stage: string;
  /** What else is told here for now, before it, and what ends that. */
  told?: ReactNode;
  onClose?: () => void;
  children: ReactNode;
}

/** Whether the line of a stage is there. */
export function useNextLine(stage: string): boolean {
  const closed = useInterface((state) => state.closedLines.includes(stage));
  const out = usePart("head", (head) => head.latest !== null);
  return useOpenArea() === null && !out && !closed;
}

export function NextLine({ stage, told, onClose, children }: Props) {
  const there = useNextLine(stage);
  const area = useOpenArea();
  if (!there && (!told || area !== null)) return null;
  const close = () => {
    const { closedLines: closed, set } = useInterface.getState();
    set({ closedLines: [...closed.filter((each) => each !== stage), stage] });
    onClose?.();
  };
  return (
    <Flex
      gap="12px"
      align="center"
      bg="bg.subtle"
      padding="4px 8px 4px 12px"
      marginBottom="8px"
      gridColumn="1 / -1"
      data-testid="next"
    >
      <Text role="status" flex="1" minWidth="0" fontSize="12px" lineHeight="17px">
        {told} <strong>Next:</strong> {children}
      </Text>
      <ToolButton variant="plain" aria-label="Hide what is next" onClick={close}>
        Hide
      </ToolButton>
    </Flex>
  );
}
