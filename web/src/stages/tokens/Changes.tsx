/** An alias with changes: lighter or darker, stronger or weaker, turned, more or less opaque. */
import { Flex, Text } from "@chakra-ui/react";
import type { QuantityChangeView, TokenValue, TokenView } from "../../api/client";
import { NumberField } from "../../components/NumberField";
import { ToolButton } from "../../components/ToolButton";

const KEPT: QuantityChangeView = { how: "kept", by: 0 };
type Quantity = "lightness" | "chroma" | "turn" | "alpha";

const FIELDS: { of: Quantity; words: string; low: number; high: number; step: number; places: number }[] = [
  { of: "lightness", words: "L*", low: -100, high: 100, step: 1, places: 1 },
  { of: "chroma", words: "chroma", low: -0.6, high: 0.6, step: 0.01, places: 3 },
  { of: "turn", words: "hue", low: -360, high: 360, step: 1, places: 0 },
];

type Base = Extract<TokenValue, { kind: "derived" }>["of"];
type Value = TokenView["value"];

const baseOf = (value: Value): Base =>
  value.token
    ? { kind: "token", token: value.token }
    : value.step
      ? { kind: "step", hue: value.hue ?? "", step: value.step }
      : { kind: "hue", hue: value.hue ?? "" };

const changesOf = (value: Value) =>
  value.changes ?? { lightness: KEPT, chroma: KEPT, turn: KEPT, alpha: KEPT };

/** A value with one quantity changed by so much, all others as they are. */
function changedBy(value: Value, of: Quantity, by: number): TokenValue {
  const now = changesOf(value);
  const how = of === "alpha" ? "set" : now[of].how === "kept" ? "shifted" : now[of].how;
  const next = {
    ...now,
    [of]: (of === "alpha" ? by === 1 : by === 0 && how === "shifted") ? KEPT : { how, by },
  };
  const none = Object.values(next).every((change) => change.how === "kept");
  return none ? baseOf(value) : { kind: "derived", of: baseOf(value), ...next };
}

interface Props {
  token: TokenView;
  /** What the token's value is to be, made of what it is by then. */
  onChange: (make: (token: TokenView) => TokenValue) => Promise<void>;
}

export function Changes({ token, onChange }: Props) {
  const { value } = token;
  if (value.kind === "literal") return null;
  const now = changesOf(value);
  const changed = (of: Quantity, by: number) => onChange((then) => changedBy(then.value, of, by));
  return (
    <Flex gap="8px" align="center" wrap="wrap" fontSize="12px" marginTop="6px" data-testid="token-changes">
      <Text>Changed by</Text>
      {FIELDS.map(({ of, words, low, high, step, places }) => (
        <Flex key={of} gap="4px" align="center">
          {words}
          <NumberField
            label={`${words} changed by`}
            value={now[of].how === "kept" ? 0 : now[of].by}
            low={low}
            high={high}
            step={step}
            places={places}
            width="56px"
            onCommit={(by) => changed(of, by)}
          />
        </Flex>
      ))}
      <Flex gap="4px" align="center">
        opaque
        <NumberField
          label="Opaque in percent"
          value={Math.round((now.alpha.how === "kept" ? 1 : now.alpha.by) * 100)}
          low={0}
          high={100}
          step={1}
          places={0}
          width="48px"
          onCommit={(by) => changed("alpha", by / 100)}
        />
        %
      </Flex>
      {value.kind === "derived" && (
        <ToolButton onClick={() => void onChange((then) => baseOf(then.value))}>No changes</ToolButton>
      )}
    </Flex>
  );
}
