/** Pairs out of a drawing: the team's own page is laid out, each text and part read with the ground that it really
 * stands on; what are tokens is declared as pairings in one action; a file replaced later says what changed. */
import { Box, Flex, Grid, Text } from "@chakra-ui/react";
import { useState } from "react";
import { client, type DrawnPairView, data, problemOf } from "../../../api/client";
import { edit } from "../../../api/edits";
import { newId } from "../../../api/ids";
import { hatch } from "../../../components/hatch";
import { ToolButton } from "../../../components/ToolButton";
import { draftKey, draftOf, keepDraft } from "../../../util/drafts";
import { usePart, useWorkspace } from "../../../workspace/hooks";
import { useLook, useSeeing } from "../../../workspace/look";
import { useLatest } from "../../../workspace/useLatest";
import { Area } from "../../shared/Area";
import { OwnPageFrame } from "../../shared/OwnPageFrame";
import { OwnPageTools } from "../../shared/OwnPageTools";
import { useOwnPage } from "../../shared/useOwnPage";
import { type Met, metIn } from "./measure";

/** Which pairs a page had, and which the one before it: told until another one comes. */
interface Known {
  page: number;
  keys: string[];
  before: string[] | null;
}

export function DrawingArea() {
  const slug = useLook((at) => at.slug);
  const theme = usePart("head", (head) => head.theme?.id ?? null);
  const revision = usePart("head", (head) => head.revision);
  const seeing = useSeeing();
  const { put } = useWorkspace();
  const page = useOwnPage(slug);
  const [met, setMet] = useState<Met[] | null>(null);
  const { answer, problem } = useLatest(
    met && page.text !== null
      ? { met: met.filter((each) => !each.picture && !each.unknown), theme, revision, seeing }
      : null,
    ({ met: every, theme: at, seeing: eyes }) =>
      data(
        client.POST("/api/systems/{slug}/drawing-pairs", {
          params: { path: { slug } },
          body: { ...eyes, theme: at, met: every.map(({ picture: _, unknown: __, ...each }) => each) },
        }),
      ),
  );
  const pairs = page.text === null ? [] : (answer ?? []);
  const change = useChange(slug, page.text, answer);
  const pictures = met?.filter((each) => each.picture).length ?? 0;
  const unknown = met?.filter((each) => each.unknown) ?? [];
  const open = pairs.filter(
    (pair) => pair.foreground && pair.ground && !pair.declared && pair.foreground !== pair.ground,
  );
  const declare = () =>
    put(
      edit("add_pairings", {
        pairings: open.map((pair) => ({
          id: newId(),
          foreground: pair.foreground ?? "",
          ground: pair.ground ?? "",
          use: pair.use,
        })),
      }),
    );
  return (
    <Area
      title="Pages and drawings"
      fill
      tools={<OwnPageTools page={page} />}
      actions={
        open.length > 0 && (
          <ToolButton onClick={() => void declare()}>
            Declare {open.length} that {open.length === 1 ? "is" : "are"} of tokens
          </ToolButton>
        )
      }
    >
      {page.text === null ? (
        <Text fontSize="12px">
          Choose a page or a drawing: an HTML or SVG file that stands alone. It is laid out and never run;
          each text and part is read with the ground that it stands on.
        </Text>
      ) : (
        <Grid
          templateColumns="minmax(0, 3fr) minmax(0, 2fr)"
          templateRows="minmax(320px, 1fr)"
          gap="16px"
          flex="1 1 320px"
        >
          <OwnPageFrame key={page.at} slug={slug} height="100%" onDrawn={(drawn) => setMet(metIn(drawn))} />
          <Box fontSize="12px" overflowY="auto" data-testid="drawn-pairs">
            <Text fontWeight="700" aria-live="polite">
              {problem
                ? problemOf(problem).message
                : !answer
                  ? "Reading the page"
                  : `${pairs.length} pairs, ${pairs.filter((pair) => !pair.holds).length} fall short.`}
              {change}
            </Text>
            {pictures > 0 && <Text>{pictures} stand on pictures: read those in Pictures.</Text>}
            {pairs.map((pair) => (
              <Pair key={pair.key} pair={pair} />
            ))}
            {unknown.length > 0 && (
              <Box as="section" aria-label="Not known" marginTop="8px" data-testid="not-known">
                <Text fontWeight="700">
                  {unknown.length} not known: look at {unknown.length === 1 ? "it" : "them"} yourself.
                </Text>
                {grouped(unknown).map(([key, { text, unknown: why }, count]) => (
                  <Text key={key} minHeight="24px" truncate title={text}>
                    {text}
                    {count > 1 && ` and ${count - 1} more`}: {why}
                  </Text>
                ))}
              </Box>
            )}
          </Box>
        </Grid>
      )}
    </Area>
  );
}

/** What is not known, each reason and text once, with how often. */
function grouped(unknown: readonly Met[]): [string, Met, number][] {
  const found = new Map<string, [Met, number]>();
  for (const each of unknown) {
    const key = `${each.unknown} ${each.text}`;
    found.set(key, [each, (found.get(key)?.[1] ?? 0) + 1]);
  }
  return Array.from(found, ([key, [met, count]]) => [key, met, count]);
}

function Pair({ pair }: { pair: DrawnPairView }) {
  const [ink, ground] = pair.colors;
  return (
    <Flex gap="8px" align="center" minHeight="28px" borderBottom="1px solid" borderColor="border">
      <Box
        data-sample
        width="56px"
        flexShrink={0}
        textAlign="center"
        fontWeight="700"
        height="20px"
        style={{
          color: ink?.seen,
          background: pair.holds ? ground?.seen : `${hatch(ink?.seen ?? "")}, ${ground?.seen}`,
        }}
      >
        {pair.holds ? "12 min" : ""}
      </Box>
      <Text flex="1" minWidth="0" truncate title={`${pair.names}: ${pair.text}`}>
        {pair.names}: {pair.text}
        {pair.count > 1 && ` and ${pair.count - 1} more`}
      </Text>
      <Text fontWeight={pair.holds ? "400" : "700"} whiteSpace="nowrap">
        {pair.ratio} of {pair.needed}
        {pair.declared && ", declared"}
      </Text>
    </Flex>
  );
}

/** What changed since the page was replaced, in words. */
function useChange(slug: string, text: string | null, pairs: DrawnPairView[] | null): string {
  if (text === null || pairs === null) return "";
  const key = draftKey("drawn-pairs", slug);
  const page = hashOf(text);
  const keys = pairs.map((pair) => pair.key);
  const known = draftOf<Known>(key);
  const now: Known =
    known === null
      ? { page, keys, before: null }
      : known.page === page
        ? { ...known, keys }
        : { page, keys, before: known.keys };
  keepDraft(key, JSON.stringify(now));
  if (now.before === null) return "";
  const come = keys.filter((each) => !now.before?.includes(each)).length;
  const gone = now.before.filter((each) => !keys.includes(each)).length;
  return ` Since the file was replaced ${come} are new and ${gone} are gone.`;
}

const hashOf = (text: string) => {
  let found = 0;
  for (let at = 0; at < text.length; at++) found = (Math.imul(found, 31) + text.charCodeAt(at)) | 0;
  return found;
};
