/** Ordered stops of pictures' areas, kept for chart palettes. */

import { Box, Flex, Text } from "@chakra-ui/react";
import { edit } from "../../api/edits";
import { Strip } from "../../components/Strip";
import { ToolButton } from "../../components/ToolButton";
import { usePart, useWorkspace } from "../../workspace/hooks";

export function KeptStops() {
  const stops = usePart("stops");
  const { put } = useWorkspace();
  if (stops.length === 0) return null;
  return (
    <Box as="section" aria-label="Ordered stops" marginTop="8px">
      <Flex justify="space-between" fontSize="12px" marginBottom="2px">
        <Text fontWeight="700">Ordered stops</Text>
        <Text color="fg.muted">{stops.length}, for chart palettes</Text>
      </Flex>
      {stops.map((row) => (
        <Flex key={row.id} align="stretch" gap="12px" marginBottom="4px">
          <Box flex="1" minWidth="0">
            <Strip
              colors={row.colors}
              height={28}
              label={`${row.name}: ${row.colors.map((color) => color.hex).join(", ")}`}
              texts={row.colors.map((color) => color.hex)}
            />
          </Box>
          <Text fontSize="12px" alignSelf="center">
            <strong>{row.name}</strong>, within {row.difference}
          </Text>
          <ToolButton
            alignSelf="center"
            aria-label={`Remove the stops ${row.name}`}
            onClick={() => void put(edit("remove_stops", { stops: row.id }))}
          >
            Remove
          </ToolButton>
        </Flex>
      ))}
    </Box>
  );
}
