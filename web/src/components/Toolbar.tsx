/** The head of a stage: its title, what is in it, choices and commands; below, the row of what opens. */
import { Box, Flex, Heading, Text } from "@chakra-ui/react";
import type { ReactNode } from "react";

interface Props {
  title: string;
  words: string;
  /** What opens work areas. */
  openers?: ReactNode;
  children?: ReactNode;
}

export function Toolbar({ title, words, openers, children }: Props) {
  return (
    <Box flexShrink={0} css={{ container: "head / inline-size" }}>
      <Flex
        align="center"
        gap="12px"
        minHeight="46px"
        paddingBlock="6px 2px"
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
          gap="14px"
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
      {openers}
    </Box>
  );
}
