/** A step: a flush field of its color. At rest it prints one line; in the selected row and column, all. */
import { Box, Text } from "@chakra-ui/react";
import { memo } from "react";
import type { StepView } from "../../api/client";
import { Ratio, SHORT_GRADES } from "../../parts/Ratio";
import type { Print } from "../../state/interface";
import { DENSE_COLUMNS } from "./measures";

interface Props {
  step: StepView;
  hue: string;
  share: number;
  columns: number;
  flips: boolean;
  selected: boolean;
  entry: boolean;
  told: boolean;
  print: Print;
  onSelect: () => void;
}

export const StepCell = memo(function StepCell({
  step,
  hue,
  share,
  columns,
  flips,
  selected,
  entry,
  told,
  print,
  onSelect,
}: Props) {
  const roomy = share === 1 && columns < DENSE_COLUMNS;
  const whole = selected || (told && print !== "nothing");
  const marks = [step.anchor ? "the hue’s own color" : "", step.pinned ? "pinned" : ""]
    .filter(Boolean)
    .join(", ");
  return (
    <Box
      role="gridcell"
      tabIndex={entry ? 0 : -1}
      aria-selected={selected}
      aria-label={`${hue} ${step.label}, ${step.hex} ${step.contrast.text} ${SHORT_GRADES[step.contrast.grade]}${marks && `, ${marks}`}`}
      data-key={step.key}
      data-hex={step.hex}
      flexGrow={share}
      flexShrink={1}
      flexBasis="0"
      minWidth="0"
      position="relative"
      overflow="hidden"
      containerType="inline-size"
      cursor="pointer"
      fontFamily="mono"
      fontSize="12px"
      lineHeight="15px"
      style={{ background: step.seen, color: step.ink, fontWeight: selected ? 700 : 400 }}
      onClick={onSelect}
      _focusVisible={{ outlineOffset: "-2px !important", boxShadow: "inset 0 0 0 4px #FFFFFF !important" }}
    >
      {flips && (
        <Box
          position="absolute"
          left="0"
          top="0"
          bottom="0"
          width="3px"
          bg="#000000"
          borderRight="1px solid #FFFFFF"
        />
      )}
      {roomy && (
        // Where the step is narrower than its text, the text goes; the slip tells it all.
        <Box padding="5px 0 0 7px" css={{ "@container (max-width: 66px)": { display: "none" } }}>
          {(whole || print === "values") && <Text truncate={!whole}>{step.hex}</Text>}{" "}
          {(whole || print === "contrast") && <Ratio contrast={step.contrast} short />}
        </Box>
      )}
      {step.anchor && (
        <Box
          position="absolute"
          left="7px"
          right="28%"
          bottom="5px"
          height="2px"
          style={{ background: step.ink }}
        />
      )}
      {step.pinned && (
        <Box
          position="absolute"
          right="4px"
          top="4px"
          width="7px"
          height="7px"
          style={{ background: step.ink }}
        />
      )}
      {step.changed && !step.pinned && (
        <Box
          position="absolute"
          right="4px"
          top="4px"
          width="7px"
          height="7px"
          borderRadius="50%"
          border="1.5px solid"
          style={{ borderColor: step.ink }}
        />
      )}
      {selected && (
        <Box
          position="absolute"
          inset="0"
          border="2px solid #000000"
          boxShadow="inset 0 0 0 2px #FFFFFF"
          pointerEvents="none"
        />
      )}
    </Box>
  );
});
