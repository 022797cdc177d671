/** A palette from a set: typed or pasted colors, steps or tokens by name; told what it suits, and why. */
import { Box, Flex, Text, Textarea } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { useId } from "react";
import { client, data } from "../../../api/client";
import { PALETTE_SOURCES } from "../../../api/constants.generated";
import { edit } from "../../../api/edits";
import { newId } from "../../../api/ids";
import { Choice } from "../../../components/Choice";
import { ToolButton } from "../../../components/ToolButton";
import { draftKey, useDraft } from "../../../util/drafts";
import { usePart, useWorkspace } from "../../../workspace/hooks";
import { look, useLook, useSeeing } from "../../../workspace/look";
import { useLatest } from "../../../workspace/useLatest";
import { Area } from "../../shared/Area";
import { everyNth, freeName, type Make, useNewGround, usePaletteNames, type Value } from "../palette";
import { Strip } from "./Strip";

const MOST = 24;

/** Sets of colors that are there already: candidates, stops of pictures, and the gallery. */
function useSets(): { words: string; colors: string[] }[] {
  const seeing = useSeeing();
  const stops = usePart("stops");
  const candidates = usePart("candidates");
  const gallery = useQuery({
    queryKey: ["gallery", "", seeing],
    queryFn: () => data(client.GET("/api/gallery", { params: { query: { text: "", ...seeing } } })),
  });
  const hexes = (colors: { hex: string }[]) => colors.map((color) => color.hex);
  return [
    ...(candidates.length > 1 ? [{ words: "the candidates", colors: hexes(candidates) }] : []),
    ...stops.map((row) => ({ words: `stops ${row.name}`, colors: hexes(row.colors) })),
    ...(gallery.data ?? []).map((set) => ({ words: `gallery: ${set.name}`, colors: hexes(set.colors) })),
  ];
}

export function FromSetArea() {
  const slug = useLook((at) => at.slug);
  const revision = usePart("head", (head) => head.revision);
  const names = usePaletteNames();
  const ground = useNewGround();
  const { put } = useWorkspace();
  const id = useId();
  const [text, setText] = useDraft(draftKey("palette-set", slug));
  const lines = text
    .split(/\n|,(?![^(]*\))/)
    .map((line) => line.trim())
    .filter(Boolean);
  const taken = useSets();
  const { answer, problem } = useLatest(
    lines.length > 0 && lines.length <= MOST ? { colors: lines, revision } : null,
    async ({ colors }) => {
      const path = { slug };
      const suits = await data(
        client.POST("/api/systems/{slug}/palette-suitability", { params: { path }, body: { colors } }),
      );
      const values: Value[] = [];
      for (const each of colors) {
        const query = { text: each };
        const named = await data(client.GET("/api/systems/{slug}/value-named", { params: { path, query } }));
        values.push(named.value as Value);
      }
      return { ...suits, values };
    },
  );
  const add = (kind: Make["kind"]) => {
    const values = answer?.values ?? [];
    const [low, high] = [values[0], values.at(-1)];
    if (!low || !high) return;
    const classes = {
      classes: Math.max(values.length, 2),
      breaks: "equal" as const,
      typed: [],
      reversed: false,
    };
    const make: Make =
      kind === "categorical"
        ? {
            kind,
            colors: values.map((value) => ({ id: newId(), value, category: "", held: false, shades: {} })),
          }
        : kind === "sequential"
          ? {
              kind,
              sources: everyNth(values, PALETTE_SOURCES),
              lightest: 96,
              darkest: 14,
              ...classes,
            }
          : { kind, low, high, middle: 0, sides: "unit", low_words: "", high_words: "", ...classes };
    const palette = newId();
    const name = freeName(names, "set");
    void put(edit("add_palette", { id: palette, name, make, ground, column: "" })).then(() =>
      look({ select: `palette:${palette}` }),
    );
  };
  return (
    <Area
      title="From a set"
      tools={
        taken.length > 0 && (
          <Choice
            label="Take"
            value=""
            otherwise="from what is there"
            items={taken.map(({ words }) => ({ value: words, words }))}
            onChoose={(words) => {
              const set = taken.find((each) => each.words === words);
              if (set) setText(set.colors.slice(0, MOST).join("\n"));
            }}
          />
        )
      }
    >
      <label htmlFor={id}>
        <Text fontSize="12px" color="fg.muted">
          One color a line: in any notation, or the name of a step, a hue or a token
        </Text>
      </label>
      <Textarea
        id={id}
        rows={Math.min(Math.max(lines.length, 2), 6)}
        fontSize="13px"
        spellCheck={false}
        value={text}
        placeholder={"tidewater 600\n#DF5A33\noklch(0.7 0.12 85)"}
        onChange={(event) => setText(event.target.value)}
      />
      {lines.length > MOST && (
        <Text role="alert" fontSize="12px" fontWeight="700">
          A palette has at most {MOST} colors; these are {lines.length}.
        </Text>
      )}
      {problem && (
        <Text role="alert" fontSize="12px" fontWeight="700">
          {problem.message}
        </Text>
      )}
      {answer && lines.length > 0 && !problem && (
        <Box marginTop="8px" data-testid="suits">
          <Strip colors={answer.swatches} height={18} />
          {answer.suits.map((each) => (
            <Flex key={each.kind} gap="10px" align="center" fontSize="12px" minHeight="30px">
              <Text width="90px" fontWeight={each.suits ? "700" : "400"}>
                {each.kind}
              </Text>
              <Text flex="1">{each.why}</Text>
              <ToolButton aria-label={`Add as a ${each.kind} palette`} onClick={() => add(each.kind)}>
                Add as {each.kind}
              </ToolButton>
            </Flex>
          ))}
        </Box>
      )}
    </Area>
  );
}
