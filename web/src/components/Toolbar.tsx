/** The head of a stage: its title, what is in it, and its tools. */
import { Box, Flex, Heading, Text } from "@chakra-ui/react";
import type { ReactNode } from "react";

interface Props {
  title: string;
  words: string;
  children?: ReactNode;
}

export function Toolbar({ title, words, children }: Props) {
  return (
    <Box flexShrink={0} css={{ container: "head / inline-size" }}>
      <Flex
        align="center"
        gap="12px"
        minHeight="54px"
        paddingBlock="6px"
        paddingInline="20px"
        css={{
          "@container head (max-width: 899px)": { flexWrap: "wrap", rowGap: "2px", paddingBlock: "6px" },
        }}
      >
        <Heading as="h1" fontSize="20px" fontWeight="700" flexShrink={0}>
          {title}
        </Heading>
        <Text color="fg.muted" minWidth="0" flexShrink={9999} truncate title={words}>
          {words}
        </Text>
        <Flex
          gap="8px"
          marginLeft="auto"
          align="center"
          wrap="wrap"
          justify="flex-end"
          minWidth="0"
          maxWidth="100%"
        >
          {children}
        </Flex>
      </Flex>
    </Box>
  );
}
