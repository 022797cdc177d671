/** How a hue follows another: what it does with lightness, strength, hue and alpha of its parent, each kept or changed. */

import { Flex, Text } from "@chakra-ui/react";
import type { FollowingView, HueView, QuantityChangeView } from "../../../api/client";
import { STRONGEST_TINT } from "../../../api/constants.generated";
import { edit } from "../../../api/edits";
import { Choice } from "../../../components/Choice";
import { Range } from "../../../components/Range";
import { ToolButton } from "../../../components/ToolButton";
import { useKnown, usePart, useWorkspace } from "../../../workspace/hooks";

type Quantity = "lightness" | "strength" | "turn" | "alpha";
const HOWS = [
  { value: "kept", words: "kept" },
  { value: "shifted", words: "shifted by" },
  { value: "times", words: "times" },
  { value: "set", words: "set to" },
] as const;
const CIRCLES = [
  { value: "oklch", words: "OKLCH" },
  { value: "hsl", words: "HSL" },
] as const;

/** Range, step and decimals of a quantity on each circle, and what a change begins with. */
const SCALES: Record<Quantity, { oklch: [number, number, number]; hsl: [number, number, number] }> = {
  lightness: { oklch: [100, 1, 1], hsl: [100, 1, 1] },
  strength: { oklch: [0.4, 0.005, 3], hsl: [100, 1, 0] },
  turn: { oklch: [360, 1, 0], hsl: [360, 1, 0] },
  alpha: { oklch: [1, 0.05, 2], hsl: [1, 0.05, 2] },
};
const FIRST: Record<string, number> = { times: 0.5 };

type FollowingSource = Parameters<typeof edit<"follow_hue">>[1]["source"];

/** What of it changes: quantities of a derivation, or those of a tint. */
type FollowingChange = Partial<Extract<FollowingSource, { kind: "derived" }>> | Partial<Tint>;
type Tint = Extract<FollowingSource, { kind: "tinted" }>;

export function Derivation({ hue, follows }: { hue: HueView; follows: FollowingView }) {
  const hues = usePart("hues");
  const { put, putFrom, preview } = useWorkspace();
  const aim = useKnown(({ parts }) => (parts?.slip?.key === hue.key ? parts.slip.aim : null));
  const following = (change: FollowingChange, from: FollowingView) =>
    edit("follow_hue", { hue: hue.id, source: { ...sourceOf(from), ...change } as FollowingSource });
  const send = (change: FollowingChange, moving = false) => {
    if (moving) return preview([following(change, follows)]);
    return putFrom((known) => {
      const newest = known.hues?.find((each) => each.id === hue.id)?.follows;
      return [following(change, newest ?? follows)];
    });
  };
  const parents = hues
    .filter((other) => other.id !== hue.id)
    .map((other) => ({ value: other.id, words: other.name }));
  const last = (
    <ToolButton marginLeft="auto" onClick={() => void put(edit("let_go", { hue: hue.id }))}>
      Let go
    </ToolButton>
  );
  const parent = (
    <Choice
      label="Follows"
      value={follows.hue}
      items={parents}
      onChoose={(chosen) => send({ hue: chosen })}
    />
  );
  if (follows.kind === "tinted") {
    const by = { lightness: follows.lightness.by, chroma: follows.strength.by };
    return (
      <Row>
        {parent}
        <Range
          label="Strength of the tint"
          value={by.chroma}
          low={0}
          high={STRONGEST_TINT}
          step={0.001}
          places={3}
          onChange={(chroma) => send({ chroma }, true)}
          onEnd={(chroma) => send({ chroma })}
        />
        <Range
          label="Lightness"
          value={by.lightness}
          low={0}
          high={100}
          step={0.5}
          places={1}
          onChange={(lightness) => send({ lightness }, true)}
          onEnd={(lightness) => send({ lightness })}
        />
        {last}
      </Row>
    );
  }
  // The editor is that of the selected hue, of which the slip tells what it is meant to be.
  const there: Record<Quantity, number> = {
    lightness: follows.circle === "oklch" ? (aim?.lightness ?? 0) : 0,
    strength: follows.circle === "oklch" ? (aim?.chroma ?? 0) : 0,
    turn: follows.circle === "oklch" ? (aim?.angle ?? 0) : 0,
    alpha: hue.alpha,
  };
  const names: Record<Quantity, string> = {
    lightness: follows.circle === "hsl" ? "HSL lightness" : "Lightness",
    strength: follows.circle === "hsl" ? "Saturation" : "Chroma",
    turn: "Hue",
    alpha: "Alpha",
  };
  return (
    <>
      <Row>
        {parent}
        <Choice
          label="on"
          value={follows.circle}
          items={CIRCLES}
          onChoose={(circle) => send(asKept(circle))}
        />
        {(["lightness", "strength", "turn", "alpha"] as Quantity[]).map((quantity) => (
          <QuantityField
            key={quantity}
            name={names[quantity]}
            change={follows[quantity]}
            scale={SCALES[quantity][follows.circle]}
            multiplied={quantity !== "turn"}
            share={quantity === "alpha"}
            there={there[quantity]}
            onMove={(change) => send({ [quantity]: change }, true)}
            onChange={(change) => send({ [quantity]: change })}
          />
        ))}
        {last}
      </Row>
      {follows.limits.length > 0 && (
        <Text width="100%" fontSize="12px" data-testid="limits">
          <strong>{hue.name} cannot follow all the way:</strong> {follows.limits.join("; ")}.
        </Text>
      )}
    </>
  );
}

/** Quantities of one circle mean nothing on the other, so a change of the circle begins with all of them kept. */
const asKept = (circle: FollowingView["circle"]) => {
  const kept = { how: "kept" as const, by: 0 };
  return { circle, lightness: kept, strength: kept, turn: kept };
};

/** How a hue follows, as the edit takes it. */
function sourceOf(follows: FollowingView): FollowingSource {
  if (follows.kind === "tinted")
    return {
      kind: "tinted" as const,
      hue: follows.hue,
      lightness: follows.lightness.by,
      chroma: follows.strength.by,
    };
  const { hue, circle, lightness, strength, turn, alpha } = follows;
  return { kind: "derived" as const, hue, circle, lightness, strength, turn, alpha };
}

interface QuantityProps {
  name: string;
  change: QuantityChangeView;
  scale: [number, number, number];
  multiplied: boolean;
  share: boolean;
  /** What it is now, where a value that is set begins. */
  there: number;
  onMove: (change: QuantityChangeView) => void;
  onChange: (change: QuantityChangeView) => void;
}

function QuantityField({ name, change, scale, multiplied, share, there, onMove, onChange }: QuantityProps) {
  const [reach, step, places] = scale;
  const shifted = change.how === "shifted";
  const times = change.how === "times";
  return (
    <Flex gap="4px" align="center">
      <Choice
        label={name}
        value={change.how}
        items={HOWS.filter((how) => multiplied || how.value !== "times")}
        onChoose={(how) => onChange({ how, by: how === "set" ? there : (FIRST[how] ?? 0) })}
      />
      {change.how !== "kept" && (
        <Range
          label=""
          of={`${name}, ${change.how}`}
          value={change.by}
          low={shifted ? -reach : 0}
          high={times ? 4 : reach}
          step={times ? 0.05 : step}
          places={times ? 2 : places}
          width="90px"
          share={share && change.how === "set"}
          onChange={(by) => onMove({ how: change.how, by })}
          onEnd={(by) => onChange({ how: change.how, by })}
        />
      )}
    </Flex>
  );
}

function Row({ children }: { children: React.ReactNode }) {
  return (
    <Flex gap="10px" align="center" wrap="wrap" width="100%" data-testid="derivation">
      {children}
    </Flex>
  );
}
