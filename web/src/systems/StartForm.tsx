/** A new system from a name and pasted brand colors. */
import { Box, Button, Field, Heading, Input, Text, Textarea } from "@chakra-ui/react";
import { useQueryClient } from "@tanstack/react-query";
import { type FormEvent, useEffect, useState } from "react";
import { useNavigate } from "react-router";
import { client, data, type Problem, problemOf } from "../api/client";
import { useDrops } from "../shell/useDrops";
import { ReadLines, useReading } from "../stages/shared/ReadLines";
import { draftKey, keepDraft } from "../util/drafts";
import { entryOfOpenedSheet, focusSoon } from "../util/focus";
import { useInbox } from "../workspace/inbox";
import { useStarted } from "../workspace/started";

/** A system may be named later; its colors are what it starts from. */
const UNNAMED = "Unnamed";
const PICTURES_LATER = "A picture is read once a system is there: start one, and drop it on any stage.";
const nothing = () => undefined;

export function StartForm() {
  const [name, setName] = useState("");
  const [colors, setColors] = useState("");
  const [problem, setProblem] = useState<Problem | null>(null);
  const [left, setLeft] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const navigate = useNavigate();
  const queries = useQueryClient();
  const { reading } = useReading({ text: colors });
  const lines = reading?.lines ?? [];

  // What is dropped on the list of systems is what a new one starts from.
  const arrived = useInbox((inbox) => inbox.files.length > 0 || inbox.text !== "");
  useDrops(nothing);
  useEffect(() => {
    if (!arrived) return;
    const { files, text } = useInbox.getState().take();
    const texts = files.filter((file) => !file.type.startsWith("image/") || file.type.includes("svg"));
    const read = text ? Promise.resolve([text]) : Promise.all(texts.map((file) => file.text()));
    void read.then((parts) => {
      if (parts.length > 0) setColors(parts.join("\n"));
      setLeft(files.length > texts.length ? PICTURES_LATER : null);
    });
  }, [arrived]);

  const start = async (event: FormEvent) => {
    event.preventDefault();
    setBusy(true);
    try {
      const { slug, select, unread } = await data(
        client.POST("/api/systems", { body: { name: name.trim() || UNNAMED, colors } }),
      );
      void queries.invalidateQueries({ queryKey: ["systems"] });
      // What could not be read waits in the new system's reading line, to be mended there.
      keepDraft(draftKey("reading", slug), unread.join("\n"));
      useStarted.setState({ slug });
      navigate(`/systems/${slug}/sources?at=${select}`);
      focusSoon(entryOfOpenedSheet);
    } catch (thrown) {
      setProblem(problemOf(thrown));
      setBusy(false);
    }
  };
  const at = (field: string) => problem?.errors.find((error) => error.field.startsWith(field))?.message;
  const elsewhere = problem && !at("name") && !at("colors") ? problem.message : null;
  return (
    <Box as="form" onSubmit={start}>
      <Heading as="h2" fontSize="16px" marginBottom="12px">
        New system
      </Heading>
      <Field.Root invalid={Boolean(at("name"))} marginBottom="12px">
        <Field.Label>Name</Field.Label>
        <Input
          size="sm"
          bg="bg"
          borderColor="border.emphasized"
          value={name}
          placeholder={UNNAMED}
          onChange={(event) => {
            setName(event.target.value);
            setProblem(null);
          }}
          autoComplete="off"
        />
        <Field.ErrorText color="fg" fontWeight="700">
          {at("name")}
        </Field.ErrorText>
      </Field.Root>
      <Field.Root invalid={Boolean(at("colors"))} marginBottom="8px">
        <Field.Label>Brand colors</Field.Label>
        <Textarea
          rows={5}
          size="sm"
          bg="bg"
          fontFamily="mono"
          borderColor="border.emphasized"
          placeholder={"tidewater #0B6E6E\nbuoy rgb(223 90 51)"}
          value={colors}
          spellCheck={false}
          onChange={(event) => {
            setColors(event.target.value);
            setProblem(null);
          }}
        />
        <Field.HelperText color="fg.muted">
          In any notation, one a line, with or without a name. Scales, a neutral, status colors and tokens
          come with it.
        </Field.HelperText>
        <Field.ErrorText color="fg" fontWeight="700">
          {at("colors")}
        </Field.ErrorText>
      </Field.Root>
      <ReadLines lines={lines} />
      {reading?.scales.map(({ name, steps, own }) => (
        <Text key={name} fontSize="12px" marginTop="4px" data-testid="read-scale">
          {name} comes as one scale of {steps.length} steps; its own color is {own}.
        </Text>
      ))}
      {left && (
        <Text role="status" fontWeight="700" marginTop="8px">
          {left}
        </Text>
      )}
      {elsewhere && (
        <Text role="alert" fontWeight="700" marginTop="8px">
          {elsewhere}
        </Text>
      )}
      <Button type="submit" size="sm" marginTop="12px" disabled={busy} bg="fg" color="bg">
        {busy ? "Starting" : "Start"}
      </Button>
    </Box>
  );
}
