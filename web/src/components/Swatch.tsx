/** A flat field of one color, as seen. */
import { Box, type BoxProps } from "@chakra-ui/react";

export function Swatch({ seen, ...box }: { seen: string } & BoxProps) {
  return <Box flexShrink={0} width="14px" height="14px" {...box} style={{ background: seen }} />;
}
