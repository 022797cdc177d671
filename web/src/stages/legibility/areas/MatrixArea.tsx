/** The matrix: foregrounds on grounds, ordered so that what passes and what fails meet in a staircase. */
import { Flex, Text } from "@chakra-ui/react";
import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { client, data, problemOf } from "../../../api/client";
import { edit } from "../../../api/edits";
import { newId } from "../../../api/ids";
import { Choice } from "../../../components/Choice";
import { NumberField } from "../../../components/NumberField";
import { Switch } from "../../../components/Switch";
import { TextField } from "../../../components/TextField";
import { ToolButton } from "../../../components/ToolButton";
import { copyText } from "../../../util/copy";
import { download, pngOf } from "../../../util/download";
import { usePart, useWorkspace } from "../../../workspace/hooks";
import { useInterface } from "../../../workspace/interface";
import { useLook, useSeeing } from "../../../workspace/look";
import { Area } from "../../shared/Area";
import { MatrixSheet } from "./MatrixSheet";
import { csvOf, GRADES, type GradeName, svgOf } from "./matrix";

const SETS = [
  { value: "texts", words: "foregrounds of pairings" },
  { value: "grounds", words: "grounds of pairings" },
  { value: "tokens", words: "all tokens" },
  { value: "steps", words: "all steps" },
  { value: "neutrals", words: "neutral steps" },
];
/** What WCAG asks of body text: the staircase stands there while the team has no aim of its own. */
const STANDARD = 4.5;

export function MatrixArea() {
  const slug = useLook((at) => at.slug);
  const theme = usePart("head", (head) => head.theme?.id ?? null);
  const revision = usePart("head", (head) => head.revision);
  const hues = usePart("hues");
  const seeing = useSeeing();
  const { put, keep } = useWorkspace();
  const { rows, columns, order } = useInterface((state) => state.matrix);
  const set = useInterface((state) => state.set);
  const read = (change: Partial<{ rows: string; columns: string; order: "luminance" | "own" }>) =>
    set({ matrix: { rows, columns, order, ...change } });
  const named = usePart("matrices");
  const present = named.find((each) => each.rows === rows && each.columns === columns && each.by === order);
  const [grade, setGrade] = useState<GradeName>("all");
  const [declared, setDeclared] = useState(false);
  const [copied, setCopied] = useState("");
  const query = useQuery({
    queryKey: ["matrix", slug, revision, theme, seeing, rows, columns, order],
    queryFn: ({ signal }) =>
      data(
        client.GET("/api/systems/{slug}/matrix", {
          params: { path: { slug }, query: { rows, columns, order, theme, ...seeing } },
          signal,
        }),
      ),
    placeholderData: keepPreviousData,
    retry: false,
  });
  const matrix = query.data;
  const sets = [...SETS, ...hues.map((hue) => ({ value: `hue:${hue.id}`, words: `the scale ${hue.name}` }))];
  const aim = matrix?.aim ?? null;
  const least = (aim ?? STANDARD) * 100;
  return (
    <Area
      title="Every pair"
      fill
      tools={
        <>
          {named.length > 0 && (
            <Choice
              label="Matrix"
              value={present?.id ?? ""}
              items={[
                ...(present ? [] : [{ value: "", words: "not kept" }]),
                ...named.map((each) => ({ value: each.id, words: each.name })),
              ]}
              onChoose={(id) => {
                const chosen = named.find((each) => each.id === id);
                if (chosen) read({ rows: chosen.rows, columns: chosen.columns, order: chosen.by });
              }}
            />
          )}
          <Choice label="Rows" value={rows} items={sets} onChoose={(value) => read({ rows: value })} />
          <Choice label="on" value={columns} items={sets} onChoose={(value) => read({ columns: value })} />
          <Choice
            label="Order"
            value={order}
            items={[
              { value: "luminance", words: "by luminance" },
              { value: "own", words: "as they stand" },
            ]}
            onChoose={(value) => read({ order: value as "luminance" | "own" })}
          />
          <Choice
            label="Grade"
            value={grade}
            items={GRADES.map(({ value, words }) => ({ value, words }))}
            onChoose={(value) => setGrade(value)}
          />
          <Switch on={declared} onClick={() => setDeclared(!declared)}>
            Declared only
          </Switch>
          <TextField
            key={present?.id ?? `${rows} ${columns} ${order}`}
            label="Name of this matrix"
            hideLabel
            placeholder="Keep under a name"
            width="150px"
            value={present?.name ?? ""}
            onCommit={(name) =>
              keep([edit("keep_matrix", { id: present?.id ?? newId(), name, rows, columns, by: order })])
            }
          />
          {present && (
            <ToolButton onClick={() => void put(edit("remove_matrix", { matrix: present.id }))}>
              Remove {present.name}
            </ToolButton>
          )}
          <Text fontSize="12px">Our aim</Text>
          <NumberField
            label="Our aim"
            value={aim ?? STANDARD}
            low={1}
            high={21}
            step={0.1}
            places={1}
            onCommit={(value) => put(edit("set_aim", { aim: value === STANDARD ? null : value }))}
          />
        </>
      }
      actions={
        matrix && (
          <>
            <Text fontSize="12px" aria-live="polite">
              {copied}
            </Text>
            <ToolButton
              onClick={() => void copyText(csvOf(matrix)).then(() => setCopied("Copied as CSV"))}
              title="All figures, separated by commas"
            >
              Copy as CSV
            </ToolButton>
            <ToolButton onClick={() => download("matrix.svg", svgOf(matrix, least), "image/svg+xml")}>
              SVG
            </ToolButton>
            <ToolButton
              onClick={() =>
                void pngOf(svgOf(matrix, least)).then((png) => {
                  if (png) download("matrix.png", png, "image/png");
                  else setCopied("This matrix is too large for a picture: take the SVG.");
                })
              }
            >
              PNG
            </ToolButton>
          </>
        )
      }
    >
      {query.error && (
        <Text role="alert" fontSize="12px" fontWeight="700">
          {problemOf(query.error).message}
        </Text>
      )}
      {!matrix && !query.error && (
        <Text role="status" fontSize="12px" flex="1 1 320px">
          Reading every pair
        </Text>
      )}
      {matrix && matrix.rows.length > 0 && matrix.columns.length > 0 && (
        <MatrixSheet matrix={matrix} grade={grade} declaredOnly={declared} least={least} />
      )}
      {matrix && (matrix.rows.length === 0 || matrix.columns.length === 0) && (
        <Text fontSize="12px">This set is empty: declare pairings, or choose another.</Text>
      )}
      <Flex gap="16px" fontSize="12px" color="fg.muted" marginTop="6px" wrap="wrap">
        <Text>
          The line bounds what reaches {aim ?? STANDARD}
          {aim === null ? ", the standard’s level for body text" : ", our own aim; the standard asks for 4.5"}
          .
        </Text>
        <Text>Bold is declared; hatched is declared and falls short.</Text>
      </Flex>
    </Area>
  );
}
