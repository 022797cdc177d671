/** A system out of files: what is understood of them is shown before anything is made. */
import { Box, Button, Field, Flex, Heading, Input, Text } from "@chakra-ui/react";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useRef, useState } from "react";
import { useNavigate } from "react-router";
import { client, data, problemOf } from "../api/client";
import { ToolButton } from "../components/ToolButton";
import { entryOfOpenedSheet, focusSoon } from "../util/focus";
import { useOnce } from "../util/useOnce";

const SHOWN = 6;
const PASSED = 8;
const ROWS = 20;

export function ImportForm() {
  const [files, setFiles] = useState<File[]>([]);
  const [name, setName] = useState("");
  const input = useRef<HTMLInputElement>(null);
  const navigate = useNavigate();
  const queries = useQueryClient();
  const read = useMutation({
    mutationFn: (chosen: File[]) =>
      data(client.POST("/api/imports/read", { body: { files: chosen }, bodySerializer: asForm })),
    onSuccess: (understood) => setName(understood.name),
  });
  const make = useMutation({
    mutationFn: () => data(client.POST("/api/imports", { body: { files, name }, bodySerializer: asForm })),
    onSuccess: ({ slug }) => {
      void queries.invalidateQueries({ queryKey: ["systems"] });
      // Where there is most to see of what was read.
      navigate(
        `/systems/${slug}/${read.data?.scales.length || !read.data?.palettes.length ? "tokens" : "charts"}`,
      );
      focusSoon(entryOfOpenedSheet);
    },
  });
  // What is refused is told below.
  const makeIt = useOnce(() => make.mutateAsync().catch(() => undefined));
  const open = (list: FileList | null) => {
    const chosen = Array.from(list ?? []);
    if (chosen.length === 0) return;
    setFiles(chosen);
    make.reset();
    read.mutate(chosen);
  };
  const understood = read.data;
  const problem = make.error ?? read.error;
  return (
    <Box as="section" aria-label="A system out of files" marginTop="28px" data-testid="import">
      <Heading as="h2" fontSize="16px" marginBottom="8px">
        Out of files
      </Heading>
      <Text fontSize="13px" color="fg.muted" marginBottom="8px">
        Token files with their resolver, stylesheets, SCSS, tables, swatches, palettes and themes for charts,
        a guide, or the archive of a release: scales, themes, tokens and palettes come back, as far as the
        form holds them.
      </Text>
      <ToolButton onClick={() => input.current?.click()} disabled={read.isPending}>
        {read.isPending ? "Reading" : "Open files"}
      </ToolButton>
      <input
        ref={input}
        type="file"
        multiple
        hidden
        aria-label="Files to make a system of"
        onChange={(event) => {
          open(event.target.files);
          event.target.value = "";
        }}
      />
      {problem && (
        <Text role="alert" fontWeight="700" marginTop="8px">
          {problemOf(problem).message}
        </Text>
      )}
      {understood && !read.isPending && (
        <Box marginTop="12px" fontSize="12px" data-testid="understood">
          <Text fontWeight="700" role="status">
            {counted(understood.scales.length, "scale")}, {counted(understood.palettes.length, "palette")},{" "}
            {counted(understood.count, "token")} in {understood.themes.map((theme) => theme.name).join(", ")}
          </Text>
          {understood.scales.slice(0, ROWS).map((scale) => (
            <Colors
              key={scale.name}
              name={scale.name}
              what={counted(scale.colors.length, "step")}
              colors={scale.colors}
            />
          ))}
          <More count={understood.scales.length - ROWS} what="scale" />
          {understood.palettes.slice(0, ROWS).map((palette) => (
            <Colors key={palette.name} name={palette.name} what={palette.kind} colors={palette.colors} />
          ))}
          <More count={understood.palettes.length - ROWS} what="palette" />
          {understood.tokens.length > 0 && (
            <Text marginTop="6px">
              {understood.tokens
                .slice(0, SHOWN)
                .map((token) => token.name)
                .join(", ")}
              {understood.count > SHOWN && ` and ${understood.count - SHOWN} more`}
            </Text>
          )}
          {understood.linked > 0 && (
            <Text marginTop="4px">{understood.linked} values are those of a step and will follow it.</Text>
          )}
          {understood.passed_over.slice(0, PASSED).map((words) => (
            <Text key={words} marginTop="4px" overflowWrap="anywhere">
              {words}
            </Text>
          ))}
          {understood.passed_over.length > PASSED && (
            <Text marginTop="4px">and {understood.passed_over.length - PASSED} more.</Text>
          )}
          <Flex
            as="form"
            gap="8px"
            align="flex-end"
            marginTop="10px"
            onSubmit={(event) => {
              event.preventDefault();
              void makeIt();
            }}
          >
            <Field.Root gap="2px">
              <Field.Label fontSize="12px">Name of this system</Field.Label>
              <Input
                size="xs"
                bg="bg"
                borderColor="border.emphasized"
                value={name}
                autoComplete="off"
                onChange={(event) => setName(event.target.value)}
              />
            </Field.Root>
            <Button type="submit" size="xs" bg="fg" color="bg" disabled={make.isPending || !name.trim()}>
              {make.isPending ? "Making it" : "Make it"}
            </Button>
          </Flex>
        </Box>
      )}
    </Box>
  );
}

/** The colors of a scale or a palette in a row, edge to edge. */
function Colors({ name, what, colors }: { name: string; what: string; colors: readonly string[] }) {
  return (
    <Flex align="center" gap="8px" marginTop="4px">
      <Text width="110px" flexShrink={0} truncate title={name}>
        {name}
      </Text>
      <Flex flex="1" height="18px" data-sample>
        {colors.map((color, place) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: a color is its place, and may come twice
          <Box key={place} flex="1" style={{ background: color }} />
        ))}
      </Flex>
      <Text width="80px" flexShrink={0} color="fg.muted">
        {what}
      </Text>
    </Flex>
  );
}

function More({ count, what }: { count: number; what: string }) {
  return count > 0 ? <Text marginTop="4px">and {counted(count, `more ${what}`)}</Text> : null;
}

const counted = (count: number, what: string) => `${count} ${what}${count === 1 ? "" : "s"}`;

/** Files and the name of the system that is made of them, as they are sent. */
function asForm({ files, name }: { files: Blob[]; name?: string }) {
  const form = new FormData();
  for (const file of files) form.append("files", file);
  if (name !== undefined) form.append("name", name);
  return form;
}
