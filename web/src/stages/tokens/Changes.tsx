/** An alias with changes: lighter or darker, stronger or weaker, turned, more or less opaque. */
import { Box, Flex, Text } from "@chakra-ui/react";
import type { QuantityChangeView, TokenDetail, TokenValue, TokenView } from "../../api/client";
import { Range } from "../../components/Range";
import { ToolButton } from "../../components/ToolButton";
import styles from "./changes.module.css";

const KEPT: QuantityChangeView = { how: "kept", by: 0 };
type Quantity = "lightness" | "chroma" | "turn" | "alpha";

const FIELDS: { of: Quantity; words: string; unit: string; step: number; places: number }[] = [
  { of: "lightness", words: "Lightness", unit: "", step: 1, places: 1 },
  { of: "chroma", words: "Chroma", unit: "", step: 0.005, places: 3 },
  { of: "turn", words: "Hue", unit: "°", step: 1, places: 0 },
];
const OPAQUE = 100;

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
  /** The colors along each change, once they are known. */
  ramps: TokenDetail["changes"];
  /** What the token's value is to be, made of what it is by then. */
  onChange: (make: (token: TokenView) => TokenValue) => Promise<void>;
  onPreview: (value: TokenValue) => void;
}

export function Changes({ token, ramps, onChange, onPreview }: Props) {
  const { value } = token;
  if (value.kind === "literal") return null;
  const now = changesOf(value);
  const moved = (of: Quantity, by: number) => onPreview(changedBy(value, of, by));
  const changed = (of: Quantity, by: number) => onChange((then) => changedBy(then.value, of, by));
  const alpha = ramps.find((ramp) => ramp.of === "alpha");
  return (
    <Box fontSize="12px" marginTop="6px" data-testid="token-changes">
      <Flex gap="8px" align="center" minHeight="24px">
        <Text>Changed by</Text>
        {value.kind === "derived" && (
          <ToolButton onClick={() => void onChange((then) => baseOf(then.value))}>No changes</ToolButton>
        )}
      </Flex>
      <div className={styles.changes}>
        {FIELDS.map(({ of, words, unit, step, places }) => {
          const ramp = ramps.find((each) => each.of === of);
          const by = now[of].how === "kept" ? 0 : now[of].by;
          return (
            <Range
              key={of}
              label={words}
              of="changed by"
              value={by}
              low={Math.min(ramp?.low ?? -FURTHEST[of], by)}
              high={Math.max(ramp?.high ?? FURTHEST[of], by)}
              step={step}
              places={places}
              width="100%"
              {...(unit ? { unit } : {})}
              {...(ramp ? { colors: ramp.colors } : {})}
              onChange={(to) => moved(of, to)}
              onEnd={(to) => changed(of, to)}
            />
          );
        })}
        <Range
          label="Opaque"
          of="in percent"
          value={Math.round((now.alpha.how === "kept" ? 1 : now.alpha.by) * OPAQUE)}
          low={0}
          high={OPAQUE}
          step={1}
          places={0}
          unit="%"
          width="100%"
          {...(alpha ? { colors: alpha.colors } : {})}
          onChange={(to) => moved("alpha", to / OPAQUE)}
          onEnd={(to) => changed("alpha", to / OPAQUE)}
        />
      </div>
    </Box>
  );
}

/** As far as a value may be changed where no ramp tells it. */
const FURTHEST: Record<Quantity, number> = { lightness: 100, chroma: 0.6, turn: 360, alpha: 1 };
