/** What may stand on a ground: every step of every scale, failing ones hatched; and all colors that pass, by hue. */
import { Box, Flex, Input, Text } from "@chakra-ui/react";
import { useState } from "react";
import { client, data, type StandingFieldView } from "../../../api/client";
import { edit } from "../../../api/edits";
import { newId } from "../../../api/ids";
import { Choice } from "../../../components/Choice";
import { ToolButton } from "../../../components/ToolButton";
import { usePart, useWorkspace } from "../../../workspace/hooks";
import { look, useLook, useSeeing } from "../../../workspace/look";
import { useLatest } from "../../../workspace/useLatest";
import { Area } from "../../shared/Area";
import styles from "./standing.module.css";

const LEVELS = [
  { value: "4.5", words: "body text, 4.5" },
  { value: "7", words: "body text, enhanced, 7" },
  { value: "3", words: "large text, parts, graphics, 3" },
];

export function StandingArea() {
  const slug = useLook((at) => at.slug);
  const revision = usePart("head", (head) => head.revision);
  const slip = usePart("slip");
  const seeing = useSeeing();
  const { put, say } = useWorkspace();
  const [typed, setTyped] = useState<string | null>(null);
  const [level, setLevel] = useState("4.5");
  const ground = typed ?? slip?.name ?? "white";
  const { answer, problem } = useLatest(
    ground.trim() === "" ? null : { ground, level: Number(level), ...seeing, revision },
    ({ revision: _, ...body }) =>
      data(client.POST("/api/systems/{slug}/standing-field", { params: { path: { slug } }, body })),
  );
  const take = (hex: string) => {
    void put(edit("add_candidates", { candidates: [{ id: newId(), color: hex, name: "" }] }));
    say(`${hex} is a candidate in Sources: judge it beside the set before it joins.`);
  };
  return (
    <Area
      title="What may stand here"
      tools={
        <>
          <Text fontSize="12px">Ground</Text>
          <Input
            aria-label="Ground: a name or a color"
            size="2xs"
            height="26px"
            width="180px"
            fontSize="13px"
            borderColor="border.emphasized"
            value={ground}
            autoComplete="off"
            spellCheck={false}
            onChange={(event) => setTyped(event.target.value)}
          />
          {slip && typed !== null && typed !== slip.name && (
            <ToolButton onClick={() => setTyped(null)}>Take {slip.name}</ToolButton>
          )}
          <Choice label="For" value={level} items={LEVELS} onChoose={setLevel} />
        </>
      }
      actions={
        slip && (
          <ToolButton
            onClick={() => look({ stage: "scales", ground: slip.key, area: null, need: Number(level) })}
          >
            In the sheet of scales
          </ToolButton>
        )
      }
    >
      {problem && (
        <Text role="alert" fontSize="12px" fontWeight="700">
          {problem.message}
        </Text>
      )}
      {answer && !problem && (
        <Box fontSize="12px" data-testid="standing-field">
          <Text marginBottom="6px" aria-live="polite">
            {answer.sentence} A click takes a color as a candidate.
          </Text>
          {answer.fields.map((field) => (
            <FieldOf key={field.words} field={field} answer={answer} onTake={take} />
          ))}
        </Box>
      )}
    </Area>
  );
}

interface FieldProps {
  field: StandingFieldView["fields"][number];
  answer: StandingFieldView;
  onTake: (hex: string) => void;
}

function FieldOf({ field, answer, onTake }: FieldProps) {
  return (
    <Box marginBottom="8px">
      <Text fontWeight="700">{field.words}</Text>
      <div
        className={styles.field}
        data-sample
        style={{ background: answer.ground.seen, color: answer.ground.ink }}
      >
        {field.rows.map((row, strength) => (
          <Flex key={answer.strengths[strength]} height="26px">
            <span className={styles.strength}>{answer.strengths[strength]?.toFixed(2)}</span>
            {row.map((color, hue) =>
              color ? (
                <button
                  type="button"
                  key={answer.hues[hue]}
                  className={styles.color}
                  style={{ background: color.seen }}
                  aria-label={`${color.hex}, hue ${answer.hues[hue]}°, chroma ${answer.strengths[strength]}`}
                  title={color.hex}
                  onClick={() => onTake(color.hex)}
                />
              ) : (
                <span key={answer.hues[hue]} className={styles.none} />
              ),
            )}
          </Flex>
        ))}
        <Flex aria-hidden>
          <span className={styles.strength}>hue</span>
          {answer.hues.map((hue) => (
            <span key={hue} className={styles.hue}>
              {hue % 45 === 0 ? `${hue}°` : ""}
            </span>
          ))}
        </Flex>
      </div>
    </Box>
  );
}
