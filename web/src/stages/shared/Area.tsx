/** A work area inside the sheet: its title, its tools, a way to close it, and what is worked on. */

import { Box, Flex, Heading } from "@chakra-ui/react";
import { type KeyboardEvent, type ReactNode, useRef } from "react";
import { ToolButton } from "../../components/ToolButton";
import { isDragging } from "../../util/dragging";
import { focusSoon, found } from "../../util/focus";
import { look, useLook } from "../../workspace/look";
import { Divider } from "./Divider";
import { useRoom } from "./useRoom";

interface Props {
  title: string;
  tools?: ReactNode;
  actions?: ReactNode;
  /** Whether what is in it shares its height, instead of standing one below another as high as it is. */
  fill?: boolean;
  children: ReactNode;
}

/** Close the open work area; the focus goes back to what opens it. */
export function closeArea() {
  const { area } = useLook.getState();
  const own = `[data-area="${CSS.escape(area ?? "")}"]`;
  // What was come to from another area goes back to that one's opener, a view to the head of the stage.
  const opener = document.querySelector<HTMLElement>(`${own}, [data-area][aria-pressed="true"]`);
  look({ area: null });
  focusSoon(opener ? () => opener : found("[data-area]"));
}

export function Area({ title, tools, actions, fill, children }: Props) {
  const onKeyDown = (event: KeyboardEvent) => {
    // Of a drag Escape ends the drag, and nothing around it.
    if (event.key !== "Escape" || event.defaultPrevented || isDragging()) return;
    event.preventDefault();
    closeArea();
  };
  const { share, takes } = useRoom();
  const box = useRef<HTMLDivElement>(null);
  return (
    <Flex
      ref={box}
      direction="column"
      position="relative"
      onKeyDown={onKeyDown}
      borderTop="1px solid"
      borderColor="fg"
      minHeight="150px"
      flex={takes ? "1 1 0" : "0 1 auto"}
      maxHeight={takes || share !== undefined ? undefined : "72%"}
      style={share === undefined ? undefined : { height: `${share * 100}%` }}
    >
      <Divider title={title} box={box} />
      <Box
        as="section"
        aria-label={`Work area: ${title}`}
        flex="1 1 auto"
        minHeight="0"
        overflowY="auto"
        scrollbarGutter="stable"
        padding="8px 20px 12px"
        // What is gone to is not hidden behind the tools that stand still.
        scrollPaddingTop="44px"
        {...(fill ? { display: "flex", flexDirection: "column" } : {})}
        data-testid="area"
        tabIndex={-1}
      >
        <Flex
          gap="8px"
          align="flex-start"
          marginBottom="8px"
          minHeight="28px"
          flexShrink={0}
          // What is done with it all stays at hand while a long list is walked through, where there is the height for it.
          css={{
            "@media (min-height: 600px)": {
              position: "sticky",
              top: "-8px",
              bg: "bg",
              zIndex: 2,
              paddingTop: "8px",
              marginTop: "-8px",
            },
          }}
        >
          <Flex gap="8px" align="center" wrap="wrap" flex="1" minWidth="0">
            <Heading as="h2" fontSize="14px" fontWeight="700" marginRight="4px">
              {title}
            </Heading>
            {tools}
            <Flex gap="8px" marginLeft="auto" align="center" wrap="wrap">
              {actions}
            </Flex>
          </Flex>
          {/* It stands in one place, however many tools there are. */}
          <ToolButton onClick={closeArea} aria-label={`Close ${title}`} flexShrink={0} marginTop="3px">
            Close
          </ToolButton>
        </Flex>
        {children}
      </Box>
    </Flex>
  );
}
