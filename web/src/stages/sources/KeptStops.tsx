/** Ordered stops of pictures' areas, kept for chart palettes. */
import { Box, Flex, Text } from "@chakra-ui/react";
import type { Edit } from "../../api/client";
import { Strip } from "../../parts/Strip";
import { Tool } from "../../parts/Tool";
import { useActions, useView } from "../../state/workspace";

export function KeptStops() {
  const stops = useView((view) => view.stops);
  const { put } = useActions();
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
          <Tool
            alignSelf="center"
            aria-label={`Remove the stops ${row.name}`}
            onClick={() => void put({ type: "remove_stops", stops: row.id } as Edit)}
          >
            Remove
          </Tool>
        </Flex>
      ))}
    </Box>
  );
}
