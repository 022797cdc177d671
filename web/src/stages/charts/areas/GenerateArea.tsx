/** Colors for categories, made as far apart as the bounds allow; what each position costs is known before it is chosen. */
import { Box, Flex, Text } from "@chakra-ui/react";
import { keepPreviousData, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { client, data, problemOf, type WishBody } from "../../../api/client";
import { CHART_COLORS } from "../../../api/constants.generated";
import { NumberField } from "../../../components/NumberField";
import { Passing } from "../../../components/Passing";
import { Switch } from "../../../components/Switch";
import { ToolButton } from "../../../components/ToolButton";
import { draftKey, useShapedDraft } from "../../../util/drafts";
import { usePart, useWorkspace } from "../../../workspace/hooks";
import { look, useLook } from "../../../workspace/look";
import { Area } from "../../shared/Area";
import {
  added,
  type Categorical,
  freeName,
  remade,
  useNewGround,
  usePaletteNames,
  useShownPalette,
} from "../palette";
import { proposed } from "../proposed";
import { Strip } from "./Strip";

const [LEAST, MOST] = CHART_COLORS;

interface Wish {
  count: number;
  reach: number;
  contrast: number;
  seed: number;
}

/** What is tried here stays when the area is closed: the hues held exactly, and what else is asked for. */
interface Wished {
  held: readonly string[];
  wish: Wish;
}

/** What a graphic needs on its ground, and what its fill may have where an outline has it instead. */
const CONTRAST = 3;
const OUTLINED = 1.2;
const WISH: Wish = { count: 6, reach: 0, contrast: CONTRAST, seed: 1 };

export function GenerateArea() {
  const slug = useLook((at) => at.slug);
  const revision = usePart("head", (head) => head.revision);
  const hues = usePart("hues");
  const names = usePaletteNames();
  const shown = useShownPalette();
  const { put, keep } = useWorkspace();
  const brands = hues.filter((hue) => hue.kind === "brand" || hue.kind === "accent");
  const [kept, setKept] = useShapedDraft<Wished>(draftKey("palette-wish", slug));
  const { held, wish } = kept ?? { held: brands.slice(0, 1).map((hue) => hue.id), wish: WISH };
  const setHeld = (held: readonly string[]) => setKept({ held, wish });
  const setWish = (wish: Wish) => setKept({ held, wish });
  const ground = useNewGround();
  const exact = brands
    .filter((hue) => held.includes(hue.id))
    .map((hue) => ({
      id: hue.id,
      value: { kind: "hue" as const, hue: hue.id },
      category: "",
      held: true,
      shades: {},
    }));
  const body: WishBody = { ...wish, count: Math.max(wish.count, exact.length), kept: exact, ground };
  const proposal = useAsked("proposal", slug, revision, body);
  const prices = usePrices(slug, revision, body);
  const make = proposal.data?.make;
  const own = shown?.kind === "categorical" ? (shown.make as Categorical) : null;
  const [problem, setProblem] = useState("");
  const [making, setMaking] = useState<readonly AbortController[]>([]);
  /** The palette that is looked at, some of its colors kept and more made: one after another, each from what the last
   * one has made. */
  const remake = async (keeps: (color: Categorical["colors"][number]) => boolean, more: number) => {
    if (!shown) return;
    setProblem("");
    const ended = new AbortController();
    setMaking((before) => [...before, ended]);
    try {
      await keep(
        remade<Categorical>(shown.id, async (now) => {
          const count = now.colors.length + more;
          if (count > MOST || ended.signal.aborted) return now;
          const wished = {
            ...body,
            kept: now.colors.filter(keeps),
            count,
            contrast: now.contrast ?? CONTRAST,
          };
          const made = await proposed(slug, wished, ended.signal);
          const colors = made.make.colors.map((each, place) => ({
            ...each,
            category: each.category || (now.colors[place]?.category ?? ""),
          }));
          const { told_by = [], marks = "large" } = now;
          return { ...made.make, colors, told_by, marks };
        }),
      );
    } catch (thrown) {
      if (!ended.signal.aborted) setProblem(problemOf(thrown).message);
    } finally {
      setMaking((before) => before.filter((each) => each !== ended));
    }
  };
  const stopMaking = () => {
    for (const each of making) each.abort();
  };
  const queries = useQueryClient();
  const [stoppedAt, setStopped] = useState<object | null>(null);
  const stopped = stoppedAt === wish && !proposal.isFetching;
  const stop = () => {
    setStopped(wish);
    void queries.cancelQueries({ queryKey: ["proposal", slug] });
    void queries.cancelQueries({ queryKey: ["prices", slug] });
  };
  return (
    <Area
      title="Make apart"
      tools={
        <>
          <Text fontSize="12px">Colors</Text>
          <NumberField
            label="How many colors"
            value={body.count}
            low={Math.max(LEAST, exact.length)}
            high={MOST}
            step={1}
            places={0}
            onCommit={(count) => setWish({ ...wish, count })}
            onStep={(count) => setWish({ ...wish, count })}
          />
          <Text fontSize="12px">contrast on its ground</Text>
          <NumberField
            label="Contrast on the ground"
            value={wish.contrast}
            low={1}
            high={7}
            step={0.5}
            places={1}
            onCommit={(contrast) => setWish({ ...wish, contrast })}
          />
          <Switch
            on={wish.contrast < CONTRAST}
            title="Paler colors, yellows among them, are let in: draw an outline around the marks"
            onClick={() => setWish({ ...wish, contrast: wish.contrast < CONTRAST ? CONTRAST : OUTLINED })}
          >
            Marks with an outline
          </Switch>
          <ToolButton onClick={() => setWish({ ...wish, seed: wish.seed + 1 })}>Another search</ToolButton>
        </>
      }
      actions={
        <>
          {making.length > 0 && (
            <Flex gap="8px" align="center" fontSize="12px">
              <Passing words="Making" />
              <ToolButton onClick={stopMaking}>Stop</ToolButton>
            </Flex>
          )}
          {own && shown && own.colors.length < MOST && (
            <ToolButton onClick={() => void remake(() => true, 1)}>Add one to {shown.name}</ToolButton>
          )}
          {own && shown && own.colors.some((each) => !each.held) && (
            <ToolButton
              title="What is held stays, all others are made"
              onClick={() => void remake(({ held = false }) => held, 0)}
            >
              Make the rest of {shown.name} anew
            </ToolButton>
          )}
          {make && (
            <ToolButton
              onClick={() => {
                const palette = added(freeName(names, "categories"), make, ground);
                void put(palette.edit).then(() => look({ select: palette.key }));
              }}
            >
              Add as a palette
            </ToolButton>
          )}
        </>
      }
    >
      <Flex gap="6px" wrap="wrap" align="center" fontSize="12px" marginBottom="6px">
        <Text>Held exactly:</Text>
        {brands.map((hue) => (
          <Switch
            key={hue.id}
            on={held.includes(hue.id)}
            onClick={() =>
              setHeld(held.includes(hue.id) ? held.filter((each) => each !== hue.id) : [...held, hue.id])
            }
          >
            {hue.name}
          </Switch>
        ))}
      </Flex>
      {proposal.error ? (
        <Text role="alert" fontSize="12px" fontWeight="700">
          {problemOf(proposal.error).message}
        </Text>
      ) : (
        <Flex gap="12px" align="center" marginBottom="8px">
          <Box flex="1" opacity={proposal.isFetching ? 0.55 : 1} aria-busy={proposal.isFetching}>
            <Strip colors={proposal.data?.colors ?? []} names={proposal.data?.names ?? []} height={56} />
          </Box>
          <Text width="190px" fontSize="12px" aria-live="polite" data-testid="reached">
            {proposal.isFetching ? (
              <Flex gap="8px" align="center">
                <Passing words="Searching" />
                <ToolButton onClick={stop}>Stop</ToolButton>
              </Flex>
            ) : stopped ? (
              "Stopped. Another search, or another wish, goes on."
            ) : (
              proposal.data && `nearest pair ${proposal.data.apart}, any vision`
            )}
          </Text>
        </Flex>
      )}
      {proposal.data?.spread && !proposal.isFetching && <Text fontSize="12px">{proposal.data.spread}</Text>}
      {problem && (
        <Text role="alert" fontSize="12px" fontWeight="700">
          {problem}
        </Text>
      )}
      <Text fontSize="12px" fontWeight="700">
        From like the brand to as far apart as can be
      </Text>
      <Flex role="radiogroup" aria-label="How far from the brand" direction="column" data-testid="reaches">
        {(prices.data?.reaches ?? []).map(({ reach, colors, apart }) => (
          <Flex
            as="button"
            role="radio"
            aria-checked={wish.reach === reach}
            aria-label={`${REACH_WORDS[reach] ?? reach}: ${apart} apart`}
            key={reach}
            gap="12px"
            align="center"
            minHeight="26px"
            cursor="pointer"
            fontSize="12px"
            fontWeight={wish.reach === reach ? "700" : "400"}
            onClick={() => setWish({ ...wish, reach })}
          >
            <Text width="150px" textAlign="left">
              {REACH_WORDS[reach] ?? reach}
            </Text>
            <Box flex="1">
              <Strip colors={colors.map((hex) => ({ hex }))} height={18} />
            </Box>
            <Text width="190px" textAlign="left">
              {apart} apart
            </Text>
          </Flex>
        ))}
      </Flex>
      <Text fontSize="12px" color="fg.muted" marginTop="4px" aria-live="polite">
        {prices.isPending
          ? "Finding what each position costs"
          : prices.data &&
            `Lightness ${range(prices.data.lightness)}, strength ${range(prices.data.chroma)} (OKLCH). ${prices.data.bounds
              .map(({ bound, apart }) => `Without the bound on ${bound}: ${apart}`)
              .join("; ")}.`}
      </Text>
    </Area>
  );
}

const REACH_WORDS: Record<number, string> = {
  0: "like the brand",
  0.25: "a little farther",
  0.5: "halfway",
  0.75: "far",
  1: "as far as can be",
};

const range = (ends: number[]) => ends.map((each) => each.toFixed(2)).join(" to ");

const useAsked = (what: string, slug: string, revision: number, body: WishBody) =>
  useQuery({
    queryKey: [what, slug, revision, body],
    queryFn: ({ signal }) => proposed(slug, body, signal),
    placeholderData: keepPreviousData,
    retry: false,
  });

/** The prices do not depend on the position that is chosen but for the bounds, which are told for it. */
const usePrices = (slug: string, revision: number, body: WishBody) =>
  useQuery({
    queryKey: ["prices", slug, revision, body],
    queryFn: ({ signal }) =>
      data(client.POST("/api/systems/{slug}/palette-prices", { params: { path: { slug } }, body, signal })),
    placeholderData: keepPreviousData,
    retry: false,
  });
