/** The set as text: to copy whole in a notation, or to edit and read back, order included. */

import { Box, Flex, Text, Textarea } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { client, data, type PlanRowView } from "../../../api/client";
import { Halves } from "../../../components/Halves";
import { Toggle } from "../../../components/Toggle";
import { ToolButton } from "../../../components/ToolButton";
import { copyText } from "../../../util/copy";
import { draftKey, useShapedDraft } from "../../../util/drafts";
import { usePart } from "../../../workspace/hooks";
import { useInterface } from "../../../workspace/interface";
import { useLook, useSeeing } from "../../../workspace/look";
import { useLatest } from "../../../workspace/useLatest";
import { Area } from "../../shared/Area";
import { counted, useAdding } from "../adding";

export function TextArea() {
  const slug = useLook((at) => at.slug);
  const seeing = useSeeing();
  const revision = usePart("head", (head) => head.revision);
  const { notation } = useInterface();
  const { make } = useAdding();
  const [sign, setSign] = useState(true);
  const [names, setNames] = useState(true);
  const [text, setText] = useShapedDraft<string>(draftKey("set-text", slug));
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
  const edited = text !== null && text !== own;
  const { answer } = useLatest(edited ? { text, revision, ...seeing } : null, ({ revision: _, ...body }) =>
    data(client.POST("/api/systems/{slug}/text", { params: { path: { slug } }, body })),
  );
  // A set that has changed meanwhile is written anew, but never over what somebody is typing.
  useEffect(() => {
    if (!edited && written.data) setText(null);
  }, [edited, setText, written.data]);
  const rows = edited ? (answer?.rows ?? []) : [];
  const changes = rows.filter((row) => row.what !== "unchanged");
  const edits = edited ? (answer?.edits ?? []) : [];
  const readBack = async () => {
    if (await make(edits)) setText(null);
  };
  return (
    <Area
      title="The set as text"
      tools={
        <>
          <Toggle on={names} disabled={edited} onClick={() => setNames(!names)}>
            With names
          </Toggle>
          {notation === "hex" && (
            <Toggle on={sign} disabled={edited} onClick={() => setSign(!sign)}>
              With #
            </Toggle>
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
              void copyText(text ?? own);
              setCopied(true);
            }}
          >
            {copied ? "Copied" : "Copy all"}
          </ToolButton>
          {edited && <ToolButton onClick={() => setText(null)}>Back to the set</ToolButton>}
          <ToolButton disabled={edits.length === 0} onClick={() => void readBack()} data-testid="read-back">
            Read back {counted(changes.filter((row) => row.what !== "not read").length, "change")}
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
          value={text ?? own}
          onChange={(event) => {
            setText(event.target.value);
            setCopied(false);
          }}
        />
        <Box
          flex="1"
          minWidth="0"
          maxHeight="260px"
          overflowY="auto"
          fontSize="12px"
          data-testid="plan"
          tabIndex={0}
          role="group"
          aria-label="What reading back would change"
        >
          {changes.length === 0 && (
            <Text color="fg.muted">
              {edited
                ? "Nothing would change."
                : "Edit values, names, kinds or the order; what would change stands here first."}
            </Text>
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
        <Box width="64px" height="24px" flexShrink={0} style={{ background: (before ?? after)?.seen }} />
      )}
      <Text>
        <strong>{row.what === "not read" ? "Not read." : row.name}</strong>{" "}
        {row.what !== "not read" && row.what}
        {before && after && before.hex !== after.hex ? `, ${before.hex} to ${after.hex}` : ""} {row.words}
      </Text>
    </Flex>
  );
}
