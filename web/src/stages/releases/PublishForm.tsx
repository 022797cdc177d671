/** Publishing: as which version, with which notes. */

import { Box, Button, Field, Flex, Input, Text, Textarea } from "@chakra-ui/react";
import { useQueryClient } from "@tanstack/react-query";
import { type FormEvent, useRef, useState } from "react";
import { client, type DraftView, data, type Problem, problemOf } from "../../api/client";
import { Passing } from "../../components/Passing";
import { ToolButton } from "../../components/ToolButton";
import { draftKey, useDraft, useShapedDraft } from "../../util/drafts";
import { focusSoon, found } from "../../util/focus";
import { useOnce } from "../../util/useOnce";
import { goTo } from "../../workspace/AddressMirror";
import { useWorkspace } from "../../workspace/hooks";
import { useLook } from "../../workspace/look";

interface Props {
  draft: DraftView;
}

export function PublishForm({ draft }: Props) {
  const slug = useLook((at) => at.slug);
  const { refresh } = useWorkspace();
  const queries = useQueryClient();
  // A version that was typed stays, also where another would be proposed by now.
  const [typed, setTyped] = useShapedDraft<string>(draftKey("version", slug));
  const [notes, setNotes] = useDraft(draftKey("notes", slug));
  const version = typed ?? draft.proposed;
  const [problem, setProblem] = useState<Problem | null>(null);
  const [done, setDone] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const writing = useRef(new AbortController());
  const { nothing } = draft;

  const readAgain = async () => {
    refresh();
    await queries.invalidateQueries({ queryKey: ["draft", slug] });
    await queries.invalidateQueries({ queryKey: ["releases", slug] });
  };
  /** Cancelling may come when all is written: what came of it is asked for, not assumed. */
  const endOfCancelled = async () => {
    try {
      const out = await data(client.GET("/api/systems/{slug}/releases", { params: { path: { slug } } }));
      await readAgain();
      return out.some((release) => release.version === version)
        ? `${version} was written before it could be cancelled: it is out.`
        : "Writing was cancelled: nothing is out.";
    } catch {
      return `Writing was cancelled. Whether ${version} is out could not be asked.`;
    }
  };

  const publish = useOnce(async () => {
    setProblem(null);
    setDone(null);
    setBusy(true);
    writing.current = new AbortController();
    try {
      const body = { revision: draft.revision, version, notes };
      const { signal } = writing.current;
      const made = await data(
        client.POST("/api/systems/{slug}/releases", { params: { path: { slug } }, body, signal }),
      );
      setDone(made.new ? `${made.version} is out.` : `The same is out already as ${made.version}.`);
      // Somebody else's notes are out with it: what was written here stays, to be used or thrown away.
      if (made.new) setNotes("");
      setTyped(null);
      focusSoon(found("[data-published]"));
      await readAgain();
    } catch (thrown) {
      if (writing.current.signal.aborted) setDone(await endOfCancelled());
      else setProblem(problemOf(thrown));
    } finally {
      setBusy(false);
    }
  });
  const cancel = () => {
    writing.current.abort();
    focusSoon(found("[data-published]"));
  };
  const at = (field: string) => problem?.errors.find((error) => error.field === field)?.message;
  return (
    <Box
      as="form"
      aria-label="Publish"
      tabIndex={-1}
      data-entry
      onSubmit={(event: FormEvent) => {
        event.preventDefault();
        void publish();
      }}
      border="1px solid"
      borderColor="fg"
      padding="12px"
      marginBottom="16px"
    >
      <Flex gap="12px" align="flex-start" wrap="wrap">
        <Field.Root width="110px" invalid={Boolean(at("version"))} gap="2px">
          <Field.Label fontSize="12px">Version</Field.Label>
          <Input
            size="xs"
            fontFamily="mono"
            borderColor="border.emphasized"
            value={version}
            autoComplete="off"
            onChange={(event) => setTyped(event.target.value)}
          />
        </Field.Root>
        <Field.Root flex="1 1 150px" invalid={Boolean(at("notes"))} gap="2px">
          <Field.Label fontSize="12px">Notes</Field.Label>
          <Textarea
            size="xs"
            rows={2}
            borderColor="border.emphasized"
            placeholder="What developers should know"
            value={notes}
            onChange={(event) => setNotes(event.target.value)}
          />
        </Field.Root>
        <Button
          type="submit"
          size="xs"
          marginTop="20px"
          bg="fg"
          color="bg"
          disabled={nothing || busy || draft.stops.length > 0}
        >
          Publish {version}
        </Button>
      </Flex>
      <Flex gap="8px" align="center" wrap="wrap" fontSize="12px" marginTop="6px">
        <Text>
          {typed !== null && typed !== draft.proposed && `${draft.proposed} is proposed. `}
          {draft.why}
        </Text>
        {!notes.trim() && !nothing && (
          <ToolButton title="From what changes, to be edited" onClick={() => setNotes(draft.notes)}>
            Draft the notes
          </ToolButton>
        )}
      </Flex>
      <Text fontSize="12px" marginTop="6px" color="fg.muted" data-testid="told">
        {draft.told.join(" ")}
      </Text>
      {draft.stops.length > 0 && (
        <Flex
          role="alert"
          gap="8px"
          align="center"
          wrap="wrap"
          fontSize="12px"
          fontWeight="700"
          marginTop="6px"
          data-testid="stops"
        >
          <Text>By the rules below this stops it: {draft.stops.join(" ")}</Text>
          <ToolButton onClick={() => goTo("legibility")}>To the findings</ToolButton>
        </Flex>
      )}
      <Box role="status" fontWeight="700" tabIndex={-1} data-published>
        {busy && (
          <Flex gap="10px" align="center">
            <Passing words="Writing the files" />
            <ToolButton onClick={cancel}>Cancel</ToolButton>
          </Flex>
        )}
        {problem ? (at("version") ?? at("notes") ?? at("rules") ?? problem.message) : done}
      </Box>
    </Box>
  );
}
