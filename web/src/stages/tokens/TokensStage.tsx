/** Tokens, built from grounds: each a band in its own color, on it the tokens that are used there, as what they are. */

import { Box, Flex, Text } from "@chakra-ui/react";
import { useEffect, useLayoutEffect, useMemo, useRef, useState } from "react";
import type { BandView, TokenView } from "../../api/client";
import { Choice } from "../../components/Choice";
import { ToolButton } from "../../components/ToolButton";
import { Toolbar } from "../../components/Toolbar";
import { useSteady } from "../../util/useSteady";
import { usePart } from "../../workspace/hooks";
import { useInterface } from "../../workspace/interface";
import { look, useLook } from "../../workspace/look";
import { NextLine } from "../shared/NextLine";
import { StageBody } from "../shared/StageBody";
import { ThemeChoice } from "../shared/ThemeChoice";
import { AreaOpeners, useOpenArea } from "../shared/WorkArea";
import { GroundBand } from "./band/GroundBand";
import { holds } from "./band/standing";
import { SpecimenSheet } from "./SpecimenSheet";
import { SwatchField } from "./SwatchField";
import { TokenEditor } from "./TokenEditor";
import { TokensStrip } from "./TokensStrip";

const SHOW_ITEMS = [
  { value: "all", words: "grounds" },
  { value: "swatches", words: "swatches" },
  { value: "specimen", words: "specimen" },
];

/** Ways to look in which tokens have no band, under which the editor could unfold. */
const BESIDE = ["swatches", "specimen"];

export function TokensStage() {
  const tokens = usePart("tokens");
  const show = useLook((at) => at.show);
  const select = useLook((at) => at.select);
  const area = useOpenArea() !== null;
  const selected = tokens.find((token) => token.key === select);
  return (
    <>
      <Head count={tokens.length} />
      <StageBody strip={<TokensStrip />}>
        {tokens.length === 0 ? (
          <Empty />
        ) : show === "swatches" ? (
          <SwatchField tokens={tokens} />
        ) : show === "specimen" ? (
          <SpecimenSheet />
        ) : (
          <>
            <Box paddingInline="20px" paddingTop="8px">
              <NextLine stage="tokens">click a token on its ground, and choose what it stands for.</NextLine>
            </Box>
            <Bands tokens={tokens} editing={area ? null : (selected ?? null)} />
          </>
        )}
      </StageBody>
      {selected && !area && BESIDE.includes(show) && <TokenEditor key={selected.id} token={selected} />}
    </>
  );
}

function Head({ count }: { count: number }) {
  const themes = usePart("head", (head) => head.themes);
  const show = useLook((at) => at.show);
  const words = `${count} semantic, ${themes.length} ${themes.length === 1 ? "theme" : "themes"}`;
  return (
    <Toolbar title="Tokens" words={words} openers={<AreaOpeners />}>
      <ThemeChoice />
      <Choice
        label="Show"
        value={SHOW_ITEMS.some((each) => each.value === show) ? show : "all"}
        items={SHOW_ITEMS}
        onChoose={(value) => look({ show: value })}
      />
    </Toolbar>
  );
}

function Empty() {
  return (
    <Box padding="20px">
      <Text marginBottom="8px">
        No tokens yet. A token is a name that says what a color is for: the fill of the main action, hovered.
      </Text>
      <Flex gap="8px">
        <ToolButton onClick={() => look({ area: "add-tokens" })}>Begin with a starter set</ToolButton>
      </Flex>
    </Box>
  );
}

function Bands({ tokens, editing }: { tokens: TokenView[]; editing: TokenView | null }) {
  const bands = usePart("bands");
  const select = useLook((at) => at.select);
  const folded = useInterface((state) => state.folded);
  const set = useInterface((state) => state.set);
  const byId = useMemo(() => new Map(tokens.map((token) => [token.id, token])), [tokens]);
  const onSelect = useSteady((key: string) => look({ select: key }));
  const sheet = useRef<HTMLDivElement>(null);
  // A token may stand on several grounds: its editor unfolds under the one on which it was chosen.
  const [chosenOn, setChosenOn] = useState<string | null>(null);
  const [alsoOpen, setAlsoOpen] = useState<readonly string[]>([]);
  const on = editing ? (bandOf(bands, editing.id, chosenOn)?.ground ?? null) : undefined;
  // biome-ignore lint/correctness/useExhaustiveDependencies: what was unfolded beside one ground is not for another
  useEffect(() => setAlsoOpen([]), [on]);
  // What is worked on is in view while it is worked on.
  useLayoutEffect(() => {
    if (select && sheet.current) showEdited(sheet.current);
  }, [select]);
  return (
    <div
      ref={sheet}
      onClickCapture={({ target }) => {
        const name = (target as HTMLElement).closest<HTMLElement>("[data-band]")?.dataset.band;
        setChosenOn(tokens.find((token) => token.name === name)?.id ?? null);
      }}
    >
      {bands.map((band) => {
        const name = band.ground ? (byId.get(band.ground)?.name ?? "") : "";
        const own = editing !== null && band.ground === on;
        // While one works on a ground, the others are a line each.
        const aside = editing !== null && !own;
        const closed = aside ? !alsoOpen.includes(name) : !own && folded.includes(name);
        const fold = (list: readonly string[]) =>
          list.includes(name) ? list.filter((each) => each !== name) : [...list, name];
        return (
          <GroundBand
            key={band.ground ?? "none"}
            band={band}
            tokens={byId}
            selected={select}
            onSelect={onSelect}
            folded={closed}
            onFold={() => (aside ? setAlsoOpen(fold(alsoOpen)) : set({ folded: fold(folded) }))}
            below={own && <TokenEditor key={editing.id} token={editing} unfolded />}
          />
        );
      })}
    </div>
  );
}

/** Bring the editor into sight, its beginning at least, and the token that it is about where there is room for both. */
function showEdited(sheet: HTMLElement) {
  const box = sheet.closest<HTMLElement>("[data-sheet]");
  const token = sheet.querySelector('[aria-pressed="true"][data-token]')?.getBoundingClientRect();
  const editor = sheet.querySelector("[data-testid=token-editor]")?.getBoundingClientRect();
  if (!box || !editor) return;
  const { top, bottom, height } = box.getBoundingClientRect();
  // The sheet alone is scrolled: whatever stands around it stays where it is.
  if (editor.height > height) box.scrollTop += editor.top - top;
  else box.scrollTop += Math.max(editor.bottom - bottom, 0) || Math.min(editor.top - top, 0);
  const after = sheet.querySelector('[aria-pressed="true"][data-token]')?.getBoundingClientRect();
  if (token && after && after.top < top && editor.top - token.top < height / 2)
    box.scrollTop -= top - after.top;
}

/** The band in which a token stands: where it was chosen, or the first. */
const bandOf = (bands: readonly BandView[], token: string, chosenOn: string | null) => {
  const standing = bands.filter((band) => holds(band, token));
  return standing.find((band) => band.ground === chosenOn) ?? standing[0];
};
