/** Fixed places in rows: what stands in each, what it is there for, what finds no place any more. */
import { Box, Flex, Text } from "@chakra-ui/react";
import { useState } from "react";
import type { OutputView, PlacedOutput, PublishedColorView } from "../../../api/client";
import { edit } from "../../../api/edits";
import { NumberField } from "../../../components/NumberField";
import { TextField } from "../../../components/TextField";
import { ToolButton } from "../../../components/ToolButton";
import { useWorkspace } from "../../../workspace/hooks";
import { useWhole } from "../../../workspace/useWhole";
import { PublishedName } from "./PublishedName";

interface Props {
  output: PlacedOutput;
  view: OutputView;
  colors: PublishedColorView[];
}

/** What stands in each place, nothing in those that are empty. */
const padded = ({ count = 12, holds = [] }: PlacedOutput): (string | null)[] =>
  Array.from({ length: Math.max(count, holds.length) }, (_, here) => holds[here] ?? null);

export function Places({ output, view, colors }: Props) {
  const { keep, put } = useWorkspace();
  const [at, setAt] = useState(0);
  const count = output.count ?? 12;
  const columns = output.columns ?? 6;
  const place = Math.min(at, count - 1);
  const holds = padded(output);
  const meanings = output.meanings ?? [];
  const nameOf = (id: string | null) => colors.find((color) => color.id === id)?.name;
  const set = useWhole(output, (whole) => put(edit("set_output", { output: whole })));
  const hold = (id: string | null) =>
    set((now) => ({ holds: padded(now).map((was, here) => (here === place ? id : was)) }));
  const exchange = (other: number) => {
    setAt(other);
    return set((now) => {
      const moved = padded(now);
      [moved[place], moved[other]] = [moved[other] ?? null, moved[place] ?? null];
      return { holds: moved };
    });
  };
  const mean = (text: string) =>
    set(
      (now) => {
        const all = Array.from(
          { length: Math.max(now.meanings?.length ?? 0, place + 1) },
          (_, here) => now.meanings?.[here] ?? "",
        );
        all[place] = text.trim();
        while (all.length > 0 && !all[all.length - 1]) all.pop();
        return { meanings: all };
      },
      (whole) => keep([edit("set_output", { output: whole })]),
    );
  const empty = view.places.filter((of) => of === null).length;
  const words = (here: number) => meanings[here] || nameOf(view.places[here] ?? null) || "empty";
  return (
    <>
      <Flex gap="10px" align="center" wrap="wrap" marginBottom="8px" fontSize="12px">
        <Text color="fg.muted">Places</Text>
        <NumberField
          label="Places"
          value={count}
          low={1}
          high={400}
          step={1}
          places={0}
          onCommit={(wanted) => set({ count: wanted })}
        />
        <Text color="fg.muted">in rows of</Text>
        <NumberField
          label="In a row"
          value={columns}
          low={1}
          high={40}
          step={1}
          places={0}
          onCommit={(wanted) => set({ columns: wanted })}
        />
        <Text fontWeight="700" data-testid="places-said">
          {empty === 0 ? "No place is empty" : `${empty} of ${count} places are empty`}
          {view.beyond.length > 0 &&
            `; ${view.beyond.length} find no place: ${view.beyond.map(nameOf).join(", ")}`}
          .
        </Text>
      </Flex>
      <Box
        display="grid"
        gridTemplateColumns={`repeat(${columns}, minmax(24px, 120px))`}
        marginBottom="10px"
        role="group"
        aria-label="Places"
      >
        {view.places.map((of, here) => {
          const color = colors.find((each) => each.id === of);
          return (
            <Box
              as="button"
              // Places are their numbers.
              // biome-ignore lint/suspicious/noArrayIndexKey: a place has no other name
              key={here}
              aria-pressed={here === place}
              {...(here === 0 ? { "data-first": true } : {})}
              aria-label={`Place ${here + 1}, ${words(here)}`}
              title={`${here + 1}: ${words(here)}`}
              height="52px"
              minWidth="0"
              padding="4px"
              fontSize="12px"
              textAlign="left"
              overflow="hidden"
              whiteSpace="nowrap"
              cursor="pointer"
              outline={color ? undefined : "1px dashed"}
              outlineOffset="-1px"
              style={{ background: color?.swatch.seen, color: color?.swatch.ink }}
              fontWeight={here === place ? "700" : "400"}
              textDecoration={here === place ? "underline" : undefined}
              onClick={() => setAt(here)}
            >
              {here + 1}
              <br />
              {columns <= 12 && words(here)}
            </Box>
          );
        })}
      </Box>
      <Flex gap="10px" align="center" wrap="wrap" fontSize="12px">
        <Text fontWeight="700">Place {place + 1}</Text>
        <PublishedName
          key={place}
          label={`What stands in place ${place + 1}`}
          value={holds[place] ?? null}
          colors={colors}
          onChoose={(id) => void hold(id)}
        />
        <TextField
          key={`meaning ${place}`}
          label="It is there for"
          value={meanings[place] ?? ""}
          width="150px"
          onCommit={mean}
        />
        <ToolButton disabled={place === 0} onClick={() => void exchange(place - 1)}>
          Earlier
        </ToolButton>
        <ToolButton
          disabled={place >= holds.length - 1 || place >= count - 1}
          onClick={() => void exchange(place + 1)}
        >
          Later
        </ToolButton>
      </Flex>
    </>
  );
}
