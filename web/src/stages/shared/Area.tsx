/** A work area inside the sheet: its title, its tools, a way to close it, and what is worked on. */

import { Box, Flex, Heading } from "@chakra-ui/react";
import type { ReactNode } from "react";
import { ToolButton } from "../../components/ToolButton";
import { look } from "../../workspace/look";

interface Props {
  title: string;
  tools?: ReactNode;
  actions?: ReactNode;
  children: ReactNode;
}

export function Area({ title, tools, actions, children }: Props) {
  return (
    <Box
      as="section"
      aria-label={`Work area: ${title}`}
      borderTop="1px solid"
      borderColor="fg"
      flexShrink={0}
      maxHeight="72%"
      overflowY="auto"
      padding="8px 20px 12px"
      data-testid="area"
    >
      <Flex gap="8px" align="center" wrap="wrap" marginBottom="8px" minHeight="28px">
        <Heading as="h2" fontSize="14px" fontWeight="700" marginRight="4px">
          {title}
        </Heading>
        {tools}
        <Flex gap="8px" marginLeft="auto" align="center" wrap="wrap">
          {actions}
          <ToolButton onClick={() => look({ area: null })}>Close</ToolButton>
        </Flex>
      </Flex>
      {children}
    </Box>
  );
}
