/** The word mark. */
import { Flex } from "@chakra-ui/react";

export function Mark({ short = false }: { short?: boolean }) {
  return (
    <Flex align="center" gap="8px" fontSize="16px" fontWeight="700" letterSpacing="-0.01em">
      <svg viewBox="0 0 20 20" width="20" height="20" aria-hidden="true">
        <path d="M10 1 1 8.2V19h18V8.2z" fill="var(--ink)" />
        <path d="M5 10.5h10M6.5 13.5h7M8 16.5h4" stroke="var(--paper)" strokeWidth="1.6" />
      </svg>
      {!short && "Heimat"}
    </Flex>
  );
}
