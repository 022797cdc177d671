/** The names of an output: read from the code that has them, each with what goes out under it. */
import { Box, Flex, Text, Textarea } from "@chakra-ui/react";
import { useMutation } from "@tanstack/react-query";
import { useState } from "react";
import {
  asItIs,
  client,
  data,
  type NamedOutput,
  type OutputView,
  type PublishedColorView,
  problemOf,
} from "../../../api/client";
import { CASES } from "../../../api/constants.generated";
import { edit } from "../../../api/edits";
import { Choice } from "../../../components/Choice";
import { Switch } from "../../../components/Switch";
import { TextField } from "../../../components/TextField";
import { ToolButton } from "../../../components/ToolButton";
import { draftKey, useDraft } from "../../../util/drafts";
import { useWorkspace } from "../../../workspace/hooks";
import { useLook } from "../../../workspace/look";
import { useWhole } from "../../../workspace/useWhole";
import { PublishedName } from "./PublishedName";

const FORMS = [
  { value: "css", words: "CSS" },
  { value: "scss", words: "SCSS" },
  { value: "json", words: "JSON" },
  { value: "typescript", words: "TypeScript" },
] as const;
const SHOWN = 100;

interface Props {
  output: NamedOutput;
  view: OutputView;
  colors: PublishedColorView[];
}

export function Names({ output, view, colors }: Props) {
  const slug = useLook((at) => at.slug);
  const { keep, put } = useWorkspace();
  const [text, setText] = useDraft(draftKey(`names-${output.id}`, slug));
  const [all, setAll] = useState(false);
  const names = output.names ?? [];
  const set = useWhole(output, (whole) => put(edit("set_output", { output: whole })));
  // What is refused is told at its field.
  const told = (whole: NamedOutput) => keep([edit("set_output", { output: whole })]);
  const read = useMutation({
    mutationFn: async () => {
      const found = await data(
        client.POST("/api/systems/{slug}/outputs/read", {
          params: { path: { slug } },
          body: text,
          bodySerializer: asItIs,
          headers: { "Content-Type": "text/plain" },
        }),
      );
      const known = new Map(names.map((each) => [each.name, each.of ?? null]));
      const fresh = found.filter((each) => !known.has(each.name));
      if (fresh.length === 0) return { found: found.length, fresh: 0, sure: 0 };
      const more = fresh.map(({ name, of }) => ({ name, of }));
      await set((at) => ({ names: [...(at.names ?? []), ...more] }), told);
      return { found: found.length, fresh: fresh.length, sure: fresh.filter((each) => each.of).length };
    },
  });
  // What misses something comes first: it is what there is to do.
  const missing = new Set(view.gaps);
  const ordered = [
    ...names.filter((each) => missing.has(each.name)),
    ...names.filter((each) => !missing.has(each.name)),
  ];
  const shown = all ? ordered : ordered.slice(0, SHOWN);
  const point = (name: string, of: string | null) =>
    set((at) => ({ names: at.names?.map((each) => (each.name === name ? { name, of } : each)) ?? [] }));
  return (
    <>
      <Flex gap="8px" align="center" wrap="wrap" marginBottom="8px">
        <Choice
          label="As"
          value={output.form ?? "css"}
          items={FORMS}
          onChoose={(form) => void set({ form })}
        />
        <Switch
          on={output.rest ?? true}
          title="What has no name below goes out by the pattern"
          onClick={() => void set((at) => ({ rest: !(at.rest ?? true) }))}
        >
          All others by a pattern
        </Switch>
        {(output.rest ?? true) && (
          <>
            <TextField
              label="Pattern"
              value={output.pattern ?? "{name}"}
              width="150px"
              mono
              onCommit={(pattern) => set({ pattern }, told)}
            />
            <Choice
              label="Words"
              value={output.case ?? "kept"}
              items={CASES}
              onChoose={(value) => void set({ case: value })}
            />
          </>
        )}
      </Flex>
      <Text fontSize="12px" data-testid="names-said" marginBottom="6px">
        <strong>
          {view.given} {view.given === 1 ? "name goes" : "names go"} out
          {view.gaps.length > 0 && `, ${view.gaps.length} have nothing yet`}
          {view.left > 0 && `; ${view.left} published colors have no name here`}.
        </strong>
      </Text>
      <Flex gap="8px" align="flex-end" marginBottom="8px">
        <Textarea
          aria-label="Code that has the names"
          data-first
          rows={2}
          fontFamily="mono"
          fontSize="12px"
          spellCheck={false}
          value={text}
          placeholder=".late { color: var(--ink-late); } or $ink-late: #DF5A33;"
          onChange={(event) => setText(event.target.value)}
        />
        <ToolButton disabled={!text.trim() || read.isPending} onClick={() => read.mutate()}>
          Read the names
        </ToolButton>
      </Flex>
      <Text role="status" fontSize="12px" fontWeight="700" minHeight="18px">
        {read.error && problemOf(read.error).message}
        {read.data &&
          (read.data.found === 0
            ? "No names stand in it: they are written var(--name), --name:, $name or @name."
            : `${read.data.fresh} new names, ${read.data.sure} of them with what they are likely to mean.`)}
      </Text>
      <Box data-testid="code-names">
        {shown.map((each) => (
          <Flex
            key={each.name}
            gap="12px"
            align="center"
            minHeight="30px"
            borderBottom="1px solid"
            borderColor="border"
            fontSize="12px"
          >
            <Text width="240px" flexShrink={0} fontFamily="mono" truncate title={each.name}>
              {each.name}
            </Text>
            <PublishedName
              label={`What goes out as ${each.name}`}
              value={each.of ?? null}
              colors={colors}
              onChoose={(of) => void point(each.name, of)}
            />
            {missing.has(each.name) && <Text fontWeight="700">nothing yet</Text>}
            <ToolButton
              marginLeft="auto"
              aria-label={`Take out ${each.name}`}
              onClick={() =>
                void set((at) => ({ names: at.names?.filter((other) => other.name !== each.name) ?? [] }))
              }
            >
              Take out
            </ToolButton>
          </Flex>
        ))}
        {ordered.length > shown.length && (
          <ToolButton marginTop="8px" onClick={() => setAll(true)}>
            Show {ordered.length - shown.length} more
          </ToolButton>
        )}
      </Box>
    </>
  );
}
