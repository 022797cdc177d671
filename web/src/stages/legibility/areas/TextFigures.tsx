/** What is behind a text at every width of the page, and what would help. */
import { Box, Flex, Table, Text } from "@chakra-ui/react";
import type { TextOnPictureView } from "../../../api/client";
import { NumberField } from "../../../components/NumberField";
import { Swatch } from "../../../components/Swatch";
import { ToolButton } from "../../../components/ToolButton";

interface Props {
  answer: TextOnPictureView;
  help: TextOnPictureView | null;
  level: string;
  most: number;
  onMost: (most: number) => void;
  onColor: (color: string) => void;
}

const CELL = { paddingBlock: "3px", textAlign: "right", fontFamily: "mono" } as const;

export function TextFigures({ answer, help, level, most, onMost, onColor }: Props) {
  return (
    <Box fontSize="12px" data-testid="behind">
      <Text fontWeight="700" marginBottom="4px" aria-live="polite">
        {answer.sentence}
      </Text>
      <Table.Root size="sm" variant="line">
        <Table.Header>
          <Table.Row bg="bg">
            {["px", `% < ${level}`, "% < 3", "% < 4.5", "% < 7", "lowest"].map((words) => (
              <Table.ColumnHeader key={words} {...CELL} fontFamily="body" fontWeight="400">
                {words}
              </Table.ColumnHeader>
            ))}
          </Table.Row>
        </Table.Header>
        <Table.Body>
          {answer.behind.map((each) => (
            <Table.Row key={each.width} bg="bg">
              <Table.Cell {...CELL}>{each.width}</Table.Cell>
              <Table.Cell {...CELL} fontWeight="700">
                {each.short}
              </Table.Cell>
              {each.below.map((part, place) => (
                // biome-ignore lint/suspicious/noArrayIndexKey: three levels, always these
                <Table.Cell key={place} {...CELL}>
                  {part}
                </Table.Cell>
              ))}
              <Table.Cell {...CELL}>{each.worst}</Table.Cell>
            </Table.Row>
          ))}
        </Table.Body>
      </Table.Root>
      {help && (
        <>
          <Flex gap="6px" wrap="wrap" marginTop="8px" align="center">
            <Text>Best there:</Text>
            {help.best.map((each) => (
              <ToolButton key={each.name} onClick={() => onColor(each.name)}>
                <Swatch seen={each.seen} />
                {each.name}: {each.short} % short
              </ToolButton>
            ))}
          </Flex>
          <Flex gap="6px" wrap="wrap" marginTop="6px" align="center">
            <Text>Least scrim, so that at most</Text>
            <NumberField
              label="Share that may fall short, percent"
              value={most}
              low={0}
              high={100}
              step={1}
              places={0}
              unit="%"
              onCommit={onMost}
            />
            <Text>
              falls short: {help.scrims.map((each) => `${each.color} ${scrimWords(each.alpha)}`).join(", ")}.
            </Text>
          </Flex>
        </>
      )}
    </Box>
  );
}

const scrimWords = (alpha: number | null) =>
  alpha === null ? "does not do it" : alpha === 0 ? "is not needed" : `at ${Math.round(alpha * 100)} %`;
