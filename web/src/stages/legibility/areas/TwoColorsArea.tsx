/** Two colors against each other, in both polarities, on one axis of lightness that carries both. */
import { Box, Flex, Grid, Input, Text } from "@chakra-ui/react";
import { type ReactNode, useId, useState } from "react";
import { client, data, type Problem, type TwoColorsView } from "../../../api/client";
import { edit } from "../../../api/edits";
import { NumberField } from "../../../components/NumberField";
import { Switch } from "../../../components/Switch";
import { ToolButton } from "../../../components/ToolButton";
import { copyText } from "../../../util/copy";
import { draftKey, useDraft } from "../../../util/drafts";
import { usePart, useWorkspace } from "../../../workspace/hooks";
import { useInterface } from "../../../workspace/interface";
import { useLook, useSeeing } from "../../../workspace/look";
import { useLatest } from "../../../workspace/useLatest";
import { Area } from "../../shared/Area";
import { type Aim, LightnessAxis } from "./LightnessAxis";
import { PicturePoints } from "./PicturePoints";
import { TypefaceTools } from "./TypefaceTools";
import { useTypeface } from "./useTypeface";

type SideName = "one" | "other";
const STILL: Record<SideName, Aim | null> = { one: null, other: null };

export function TwoColorsArea() {
  const slug = useLook((at) => at.slug);
  const revision = usePart("head", (head) => head.revision);
  const theme = usePart("head", (head) => head.theme?.id ?? "");
  const tokens = usePart("tokens");
  const slip = usePart("slip");
  const seeing = useSeeing();
  const { put } = useWorkspace();
  const typeface = useTypeface(slug);
  const picking = useInterface((state) => state.pointing);
  const [one, setOne] = useDraft(draftKey("two-colors-one", slug));
  const [other, setOther] = useDraft(draftKey("two-colors-other", slug));
  const [moved, setMoved] = useState(STILL);
  const texts = { one: one || slip?.name || "", other: other || "white" };
  const asked = texts.one.trim() !== "" && texts.other.trim() !== "";
  const { answer, problem } = useLatest(
    asked ? { ...texts, moved, seeing, revision } : null,
    ({ moved: to, seeing: eyes, revision: _, ...body }) =>
      data(
        client.POST("/api/systems/{slug}/two-colors", {
          params: { path: { slug } },
          body: { ...body, ...eyes, one_moved: to.one, other_moved: to.other },
        }),
      ),
  );
  const type = (side: SideName) => (text: string) => {
    (side === "one" ? setOne : setOther)(text);
    setMoved((before) => ({ ...before, [side]: null }));
  };
  const move = (side: SideName) => (change: Partial<Aim>) => {
    const now = answer?.[side];
    if (!now) return;
    const from = moved[side] ?? { lightness: now.light, chroma: now.chroma, hue: now.hue };
    setMoved({ ...moved, [side]: { ...from, ...change } });
  };
  const swap = () => {
    setOne(texts.other);
    setOther(texts.one);
    setMoved({ one: moved.other, other: moved.one });
  };
  const token = moved.one && tokens.find((each) => each.name === texts.one);
  const side = (name: SideName, label: string) => (
    <Side
      label={label}
      text={name === "one" ? one : other}
      otherwise={texts[name]}
      onText={type(name)}
      found={answer?.[name] ?? null}
      aim={moved[name]}
      onMove={move(name)}
      problem={problem && fieldOf(problem) === name ? problem.message : ""}
    />
  );
  return (
    <Area
      title="Two colors"
      fill
      tools={
        <>
          <ToolButton onClick={swap}>Swap</ToolButton>
          <Switch on={picking} onClick={() => useInterface.getState().set({ pointing: !picking })}>
            From a picture
          </Switch>
          <TypefaceTools typeface={typeface} />
          {(moved.one || moved.other) && (
            <ToolButton onClick={() => setMoved(STILL)}>Back to what was typed</ToolButton>
          )}
          {answer && moved.one && (
            <ToolButton onClick={() => void copyText(answer.one.hex)}>Copy {answer.one.hex}</ToolButton>
          )}
          {answer && token && (
            <ToolButton
              onClick={() => {
                setMoved(STILL);
                void put(
                  edit("set_token_value", {
                    token: token.id,
                    theme,
                    value: { kind: "literal", color: answer.one.hex, was: "" },
                  }),
                );
              }}
            >
              Let {token.name} be {answer.one.hex}
            </ToolButton>
          )}
        </>
      }
    >
      {picking && <PicturePoints onColor={(name, hex) => type(name)(hex)} />}
      <Grid templateColumns="minmax(0, 1fr) minmax(0, 1fr)" gap="16px" marginBottom="8px" flexShrink={0}>
        {side("one", "Foreground: a name or a color")}
        {side("other", "Ground: a name or a color")}
      </Grid>
      {problem && fieldOf(problem) === "" && (
        <Text role="alert" fontSize="12px" fontWeight="700">
          {problem.message}
        </Text>
      )}
      {answer && <Read answer={answer} aims={moved} family={typeface.family} onMove={move} />}
      {!asked && (
        <Text fontSize="12px">Select a color, or type two: text.late, tidewater 600, oklch(0.6 0.1 40).</Text>
      )}
    </Area>
  );
}

const fieldOf = (problem: Problem): string =>
  ["one", "other"].find((name) => problem.errors.some((field) => field.field === name)) ?? "";

interface SideProps {
  label: string;
  text: string;
  /** What stands in for it while nothing is typed. */
  otherwise: string;
  onText: (text: string) => void;
  found: TwoColorsView["one"] | null;
  aim: Aim | null;
  onMove: (change: Partial<Aim>) => void;
  problem: string;
}

function Side({ label, text, otherwise, onText, found, aim, onMove, problem }: SideProps) {
  const id = useId();
  const now = aim ?? (found ? { lightness: found.light, chroma: found.chroma, hue: found.hue } : null);
  const number = (name: keyof Aim, words: string, high: number, step: number, places: number) =>
    now && (
      <Flex align="center" gap="4px">
        <Text fontSize="12px">{words}</Text>
        <NumberField
          label={`${words} of the ${label.split(":")[0]?.toLowerCase()}`}
          value={now[name]}
          low={0}
          high={high}
          step={step}
          places={places}
          onCommit={(value) => onMove({ [name]: value })}
          onStep={(value) => onMove({ [name]: value })}
        />
      </Flex>
    );
  return (
    <Box>
      <label htmlFor={id}>
        <Text fontSize="12px" color="fg.muted">
          {label}
        </Text>
      </label>
      <Flex gap="8px" align="center" wrap="wrap">
        <Box data-sample width="26px" height="26px" style={{ background: found?.seen }} />
        <Input
          id={id}
          size="2xs"
          height="26px"
          width="146px"
          fontSize="13px"
          borderColor="border.emphasized"
          value={text}
          placeholder={otherwise}
          autoComplete="off"
          spellCheck={false}
          aria-invalid={problem !== ""}
          onChange={(event) => onText(event.target.value)}
        />
        {number("lightness", "L*", 100, 1, 1)}
        {number("chroma", "chroma", 0.4, 0.005, 3)}
        {number("hue", "hue", 360, 1, 0)}
      </Flex>
      {problem && (
        <Text role="alert" fontSize="12px" fontWeight="700">
          {problem}
        </Text>
      )}
    </Box>
  );
}

const SIZES = [
  { px: 13, bold: false },
  { px: 16, bold: false },
  { px: 18.66, bold: true },
  { px: 24, bold: false },
  { px: 32, bold: true },
];

function Read({
  answer,
  aims,
  family,
  onMove,
}: {
  answer: TwoColorsView;
  aims: Record<SideName, Aim | null>;
  /** The team's own typeface, once it is loaded. */
  family: string | null;
  onMove: (side: SideName) => (change: Partial<Aim>) => void;
}) {
  return (
    <>
      <LightnessAxis answer={answer} aims={aims} onMove={onMove} />
      <Text fontSize="14px" marginBlock="8px" data-testid="uses" aria-live="polite">
        {answer.suffices}
      </Text>
      <Grid
        templateColumns="1fr 1fr"
        flex="1 0 auto"
        data-sample
        data-testid="polarities"
        {...(family ? { fontFamily: family } : {})}
      >
        <Samples ink={answer.one.seen} ground={answer.other.seen} />
        <Samples ink={answer.other.seen} ground={answer.one.seen} />
      </Grid>
    </>
  );
}

function Samples({ ink, ground }: { ink: string; ground: string }): ReactNode {
  return (
    <Flex
      direction="column"
      gap="2px"
      padding="12px 16px"
      justifyContent="center"
      lineHeight="1.25"
      style={{ color: ink, background: ground }}
    >
      {SIZES.map(({ px, bold }) => (
        <Flex key={px} align="baseline" gap="8px">
          <span style={{ fontSize: px, fontWeight: bold ? 700 : 400, whiteSpace: "nowrap" }}>
            12 min late
          </span>
          <span style={{ fontSize: 12 }}>
            {px} px{bold ? " bold" : ""}
            {px >= 24 || (bold && px >= 18.66) ? ", large" : ""}
          </span>
        </Flex>
      ))}
    </Flex>
  );
}
