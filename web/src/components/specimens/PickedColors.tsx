/** Which tokens color the part that was clicked; any can be split there from what it shares its color with. */
import { Flex, Text } from "@chakra-ui/react";
import type { Parts } from "../../api/client";
import type { PickedPart } from "./Specimen";

interface Props {
  picked: PickedPart | null;
  specimen: Parts["specimen"];
  selected: string | null;
  onSelect: (key: string) => void;
  /** Let the token of a purpose differ in a place of its own. */
  onDiffer: (purpose: string, place: string) => void;
}

export function PickedColors({ picked, specimen, selected, onSelect, onDiffer }: Props) {
  if (!picked) return null;
  const { purposes, place } = picked;
  const parts = purposes.map((purpose) =>
    specimen.keys[`${purpose}@${place}`] ? `${purpose}@${place}` : purpose,
  );
  const there = parts.filter((part) => specimen.keys[part]);
  const chosen = there.find((part) => specimen.keys[part] === selected);
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
      {there.map((part) => {
        const key = specimen.keys[part] ?? "";
        return (
          <button
            type="button"
            key={part}
            style={{
              fontWeight: 700,
              minHeight: 24,
              textDecoration: key === selected ? "underline" : "none",
            }}
            aria-pressed={key === selected}
            onClick={() => onSelect(key)}
          >
            {specimen.names[part]}
          </button>
        );
      })}
      {place && chosen && !chosen.includes("@") && (
        <button
          type="button"
          style={{ minHeight: 24, textDecoration: "underline" }}
          onClick={() => onDiffer(chosen, place)}
        >
          Let this one differ in {place.replaceAll("-", " ")}
        </button>
      )}
    </Flex>
  );
}
