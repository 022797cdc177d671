/** The set as text: to copy whole in a notation, or to edit and read back, order included. */

import { Box, Flex, Text, Textarea } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { client, data, type PlanRowView } from "../../../api/client";
import { Choice } from "../../../components/Choice";
import { Halves } from "../../../components/Halves";
import { Switch } from "../../../components/Switch";
import { ToolButton } from "../../../components/ToolButton";
import { copyText } from "../../../util/copy";
import { draftKey, useShapedDraft } from "../../../util/drafts";
import { usePart } from "../../../workspace/hooks";
import { useInterface } from "../../../workspace/interface";
import { useLook, useSeeing } from "../../../workspace/look";
import { useLatest } from "../../../workspace/useLatest";
import { Area } from "../../shared/Area";
import { counted, useAdding } from "../adding";

/** What is typed, the text that it was begun on, and the revision that this was written of. */
interface TextDraft {
  text: string;
  own: string;
  base: number;
}

export function TextArea() {
  const slug = useLook((at) => at.slug);
  const seeing = useSeeing();
  const revision = usePart("head", (head) => head.revision);
  const { notation } = useInterface();
  const { make } = useAdding();
  const [sign, setSign] = useState(true);
  const [names, setNames] = useState(true);
  const [draft, setDraft] = useShapedDraft<TextDraft>(draftKey("set-text", slug));
  const [children, setChildren] = useState<"detach" | "remove">("detach");
  const [copied, setCopied] = useState(false);
  const written = useQuery({
    queryKey: ["set-text", slug, revision, notation, sign, names],
    queryFn: () =>
      data(
        client.GET("/api/systems/{slug}/text", {
          params: { path: { slug }, query: { notation, sign, names } },
        }),
      ),
    placeholderData: (before) => before,
  });
  const own = written.data?.text ?? "";
  // What is typed stays beside the text that it was begun on: a set that has changed meanwhile is told, not written over.
  const edited = draft !== null && draft.text !== draft.own;
  const { answer, problem } = useLatest(
    edited ? { text: draft.text, base: draft.base, children, revision, ...seeing } : null,
    ({ revision: _, ...body }) =>
      data(client.POST("/api/systems/{slug}/text", { params: { path: { slug } }, body })),
  );
  const type = (text: string) => {
    const begun = edited && draft ? draft : { own, base: written.data?.revision ?? revision };
    setDraft(text === begun.own ? null : { own: begun.own, base: begun.base, text });
  };
  const rows = edited ? (answer?.rows ?? []) : [];
  const followed = rows.some((row) => row.followed);
  const changes = rows.filter((row) => row.what !== "unchanged");
  const edits = edited ? (answer?.edits ?? []) : [];
  const readBack = async () => {
    if (await make(edits)) setDraft(null);
  };
  return (
    <Area
      title="The set as text"
      tools={
        <>
          <Switch on={names} disabled={edited} onClick={() => setNames(!names)}>
            With names
          </Switch>
          {notation === "hex" && (
            <Switch on={sign} disabled={edited} onClick={() => setSign(!sign)}>
              With #
            </Switch>
          )}
          <Text fontSize="12px" color="fg.muted">
            in {notation}, as chosen above
          </Text>
        </>
      }
      actions={
        <>
          <ToolButton
            onClick={() => {
              void copyText(draft?.text ?? own);
              setCopied(true);
            }}
          >
            {copied ? "Copied" : "Copy all"}
          </ToolButton>
          {edited && <ToolButton onClick={() => setDraft(null)}>Back to the set</ToolButton>}
          {followed && (
            <Choice
              label="What follows a removed hue"
              value={children}
              items={[
                { value: "detach", words: "keeps its color" },
                { value: "remove", words: "goes too" },
              ]}
              onChoose={(chosen) => setChildren(chosen as "detach" | "remove")}
            />
          )}
          <ToolButton disabled={edits.length === 0} onClick={() => void readBack()} data-testid="read-back">
            Read back{" "}
            {counted(
              changes.filter((row) => row.what !== "not read" && row.what !== "kept").length,
              "change",
            )}
          </ToolButton>
        </>
      }
    >
      <Flex gap="16px" align="stretch">
        <Textarea
          aria-label="The set as text"
          flex="1"
          rows={13}
          fontFamily="mono"
          fontSize="12px"
          spellCheck={false}
          borderColor="border.emphasized"
          value={draft?.text ?? own}
          onChange={(event) => {
            type(event.target.value);
            setCopied(false);
          }}
        />
        <Box
          flex="1"
          minWidth="0"
          fontSize="12px"
          data-testid="plan"
          role="group"
          aria-label="What reading back would change"
        >
          {problem && (
            <Text role="alert" fontWeight="700">
              {problem.message}
            </Text>
          )}
          {changes.length === 0 && !problem && (
            <Text color="fg.muted">
              {edited
                ? "Nothing would change."
                : "Edit values, names, kinds or the order; what would change stands here first."}
            </Text>
          )}
          {rows.some((row) => row.what === "not read") && (
            <Text color="fg.muted">While a line is not read, nothing is removed or moved.</Text>
          )}
          {changes.map((row, place) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: rows have no identity but their place
            <PlanRow key={place} row={row} />
          ))}
        </Box>
      </Flex>
    </Area>
  );
}

function PlanRow({ row }: { row: PlanRowView }) {
  const { before, after } = row;
  return (
    <Flex gap="10px" align="center" minHeight="26px">
      {before && after ? (
        <Halves one={before.seen} other={after.seen} words={`${before.hex} beside ${after.hex}`} />
      ) : (
        (before ?? after) && (
          <Box width="64px" height="24px" flexShrink={0} style={{ background: (before ?? after)?.seen }} />
        )
      )}
      <Text>
        <strong>{row.what === "not read" ? "Not read." : row.name}</strong>{" "}
        {row.what !== "not read" && row.what}
        {before && after && before.hex !== after.hex ? `, ${before.hex} to ${after.hex}` : ""}
        {row.words && (row.what === "not read" ? ` ${row.words}` : `, ${row.words}`)}
      </Text>
    </Flex>
  );
}
