/** The sheet of scales. Arrow keys walk it; what is selected fills the slip. */
import { Box, Flex, Text } from "@chakra-ui/react";
import { type KeyboardEvent, useRef } from "react";
import type { HueView, StepView } from "../../api/client";
import { useInterface } from "../../state/interface";
import { useLooking } from "../../state/looking";
import { useView } from "../../state/workspace";
import { LABELS_WIDTH, ROW_HEIGHT } from "./measures";
import { StepCell } from "./StepCell";

export function ScaleSheet() {
  const { hues, ladder } = useView();
  const { looking, look } = useLooking();
  const { print } = useInterface();
  const sheet = useRef<HTMLDivElement>(null);
  const columns = ladder.steps.length;
  const at = locate(hues, looking.select ?? "");
  const row = hues[at?.row ?? -1];
  const column = at?.column ?? null;

  const go = (to: StepView | undefined) => {
    if (!to) return;
    look({ select: to.key });
    sheet.current?.querySelector<HTMLElement>(`[data-key="${CSS.escape(to.key)}"]`)?.focus();
  };
  const onKeyDown = (event: KeyboardEvent) => {
    if (event.altKey || event.ctrlKey || event.metaKey) return;
    const cell = (event.target as HTMLElement).closest<HTMLElement>("[data-key]");
    const place = locate(hues, cell?.dataset.key ?? "");
    if (!place) return;
    const steps = hues[place.row]?.steps ?? [];
    const beside = (by: number) => {
      const other = hues[place.row + by]?.steps ?? [];
      return (
        other.find((step) => step.label === steps[place.step]?.label) ??
        other.find((step) => step.column === place.column)
      );
    };
    if (event.key === "ArrowRight") go(steps[place.step + 1]);
    else if (event.key === "ArrowLeft") go(steps[place.step - 1]);
    else if (event.key === "ArrowDown") go(beside(1));
    else if (event.key === "ArrowUp") go(beside(-1));
    else if (event.key === "Home") go(steps[0]);
    else if (event.key === "End") go(steps.at(-1));
    else return;
    event.preventDefault();
  };
  const entry = at ? (looking.select ?? "") : (hues[0]?.steps[0]?.key ?? "");
  return (
    <Box ref={sheet} role="grid" aria-label="Scales" onKeyDown={onKeyDown} data-testid="scales">
      <Flex role="row" marginLeft={`${LABELS_WIDTH}px`} marginTop="4px" marginBottom="4px">
        {ladder.steps.map((step, place) => (
          <Box
            key={step.id}
            role="columnheader"
            flex="1"
            minWidth="0"
            paddingLeft="7px"
            fontFamily="mono"
            lineHeight="16px"
            fontWeight={place === column ? "700" : "400"}
          >
            <Text fontSize="13px">{step.label}</Text>
            <Text fontSize="12px" color="fg.muted">
              L* {step.lightness}
            </Text>
          </Box>
        ))}
      </Flex>
      {hues.map((hue, place) => (
        <Flex
          key={hue.id}
          role="row"
          height={`${ROW_HEIGHT}px`}
          marginTop={place > 0 && hues[place - 1]?.kind !== hue.kind ? "8px" : "0"}
          data-row={hue.name}
        >
          <Box role="rowheader" width={`${LABELS_WIDTH}px`} flexShrink={0} paddingTop="5px">
            <Box
              as="button"
              display="block"
              textAlign="left"
              width="100%"
              minHeight="36px"
              cursor="pointer"
              tabIndex={-1}
              onClick={() => look({ select: hue.key })}
            >
              <Text
                fontWeight="700"
                truncate
                paddingRight="6px"
                textDecoration={looking.select === hue.key ? "underline" : "none"}
              >
                {hue.name}
              </Text>
              <Text fontSize="12px" color="fg.muted">
                {hue.status ?? hue.kind}
              </Text>
            </Box>
          </Box>
          {hue.steps.map((step, index) => (
            <StepCell
              key={step.id}
              step={step}
              hue={hue.name}
              share={1 / hue.steps.filter((other) => other.column === step.column).length}
              columns={columns}
              flips={index > 0 && hue.steps[index - 1]?.passes !== step.passes}
              selected={step.key === looking.select}
              entry={step.key === entry}
              told={row?.id === hue.id || (column === step.column && at !== null)}
              print={print}
              onSelect={() => look({ select: step.key })}
            />
          ))}
        </Flex>
      ))}
    </Box>
  );
}

function locate(hues: HueView[], key: string): { row: number; step: number; column: number } | null {
  for (const [row, hue] of hues.entries()) {
    const step = hue.steps.findIndex((each) => each.key === key);
    const found = hue.steps[step];
    if (found) return { row, step, column: found.column };
  }
  return null;
}
