/** Which tokens color the part that was clicked. */
import { Flex, Text } from "@chakra-ui/react";
import type { Parts } from "../../api/client";

interface Props {
  purposes: string[];
  specimen: Parts["specimen"];
  selected: string | null;
  onSelect: (key: string) => void;
}

export function PickedColors({ purposes, specimen, selected, onSelect }: Props) {
  const there = purposes.filter((purpose) => specimen.keys[purpose]);
  if (purposes.length === 0) return null;
  return (
    <Flex
      wrap="wrap"
      gap="0 10px"
      fontSize="12px"
      marginBottom="6px"
      role="status"
      data-testid="picked-colors"
    >
      {there.length === 0 && <Text>No token of this system colors that.</Text>}
      {there.map((purpose) => {
        const key = specimen.keys[purpose] ?? "";
        return (
          <button
            type="button"
            key={purpose}
            style={{
              fontWeight: 700,
              minHeight: 24,
              textDecoration: key === selected ? "underline" : "none",
            }}
            aria-pressed={key === selected}
            onClick={() => onSelect(key)}
          >
            {specimen.names[purpose]}
          </button>
        );
      })}
    </Flex>
  );
}
