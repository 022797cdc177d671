/** The mark of what has changed and is not published. */
import { Box } from "@chakra-ui/react";

/** A small open circle: changed, but not published. */
export function Unpublished() {
  return (
    <Box
      as="span"
      role="img"
      aria-label="changed, not published"
      display="inline-block"
      width="7px"
      height="7px"
      border="1.5px solid currentColor"
      borderRadius="50%"
      flexShrink={0}
    />
  );
}
