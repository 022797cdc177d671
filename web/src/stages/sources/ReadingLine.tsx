/** One field that takes a color or a list of them, and shows what it understood before anything is added. */
import { Box, Field, Flex, Textarea } from "@chakra-ui/react";
import { type KeyboardEvent, useState } from "react";
import { type Edit, type HueKind, type Problem, problemOf } from "../../api/client";
import { Choice } from "../../parts/Choice";
import { ReadLines, useReading } from "../../parts/ReadLines";
import { Tool } from "../../parts/Tool";
import { useLooking } from "../../state/looking";
import { useActions } from "../../state/workspace";

const KINDS = ["brand", "accent", "neutral"].map((kind) => ({ value: kind, words: kind }));

export function ReadingLine() {
  const { keep } = useActions();
  const { seeing } = useLooking();
  const [text, setText] = useState("");
  const [kind, setKind] = useState<HueKind>("accent");
  const [problem, setProblem] = useState<Problem | null>(null);
  const lines = useReading(text, seeing);
  const read = lines.filter((line) => line.color);

  const add = async () => {
    if (read.length === 0) return;
    const hues = read.map((line) => ({ name: line.name, kind, color: line.color }));
    try {
      await keep([{ type: "add_hues", hues } as Edit]);
      // What could not be read stays, to be mended.
      setText(
        lines
          .filter((line) => !line.color)
          .map((line) => line.text)
          .join("\n"),
      );
      setProblem(null);
    } catch (thrown) {
      setProblem(problemOf(thrown));
    }
  };
  const onKeyDown = (event: KeyboardEvent) => {
    if (event.key !== "Enter" || event.shiftKey) return;
    event.preventDefault();
    void add();
  };
  return (
    <Box border="1px solid" borderColor="fg" borderRadius="2px">
      <Field.Root invalid={problem !== null}>
        <Field.Label srOnly>A color, or a list of colors</Field.Label>
        <Textarea
          id="reading-line"
          rows={Math.min(Math.max(text.split("\n").length, 1), 8)}
          border="0"
          minHeight="38px"
          paddingBlock="9px"
          paddingInline="12px"
          fontSize="13px"
          resize="none"
          spellCheck={false}
          placeholder="A color or a list of colors: type or paste it here"
          value={text}
          onChange={(event) => {
            setText(event.target.value);
            setProblem(null);
          }}
          onKeyDown={onKeyDown}
        />
        <Field.ErrorText color="fg" fontWeight="700" paddingInline="12px" paddingBottom="8px">
          {problem?.message}
        </Field.ErrorText>
      </Field.Root>
      {lines.length > 0 && (
        <Box padding="0 12px 10px">
          <ReadLines lines={lines} />
          <Flex gap="8px" marginTop="8px" align="center">
            <Tool disabled={read.length === 0} onClick={() => void add()} data-testid="add-read">
              {read.length === 1 ? "Add 1 hue" : `Add ${read.length} hues`}
            </Tool>
            <Choice label="as" value={kind} items={KINDS} onChoose={(value) => setKind(value as HueKind)} />
          </Flex>
        </Box>
      )}
    </Box>
  );
}
