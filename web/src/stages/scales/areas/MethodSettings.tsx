/** The few settings of a method: its space or ground, and its own numbers step by step. */
import { Box, Flex, Text } from "@chakra-ui/react";
import type { Method, ScaleDetail } from "../../../api/client";
import type { edit } from "../../../api/edits";
import { Check } from "../../../components/Check";
import { Choice } from "../../../components/Choice";
import { NumberField } from "../../../components/NumberField";
import { TextField } from "../../../components/TextField";
import { ToolButton } from "../../../components/ToolButton";

/** What of a method changes, from its settings as they are by then; a color may be given as it was typed. */
export type MethodChange = (
  settings: Method,
) => Partial<NonNullable<Parameters<typeof edit<"set_method">>[1]["method"]>>;

interface Props {
  detail: ScaleDetail;
  settings: Method;
  /** The colors of these settings as they are written; null for an end that follows even lightness. */
  texts: { light: string | null; dark: string | null; stops: Record<string, string>; ground: string };
  /** Whether the figures shown are those of these settings. */
  inForce: boolean;
  onChange: (change: MethodChange) => Promise<boolean>;
  /** For what is typed: rejects with a Problem that belongs to the field. */
  onKeep: (change: MethodChange) => Promise<unknown>;
}

type TypedValue = Method["hsl"]["targets"][number];

const SPACES: Record<string, string> = {
  srgb: "sRGB",
  linear: "linear light",
  oklab: "OKLab",
  oklch: "OKLCH",
};
const items = (names: string[]) => names.map((value) => ({ value, words: SPACES[value] ?? value }));
const NUMBERS = {
  contrast: { words: "Ratio", low: 1, high: 21, step: 0.1, places: 2, unit: "" },
  mix: { words: "White above 0, black below", low: -100, high: 100, step: 1, places: 0, unit: " %" },
  hsl: { words: "HSL lightness", low: 0, high: 100, step: 1, places: 0, unit: " %" },
} as const;

export function MethodSettings({ detail, settings, texts, inForce, onChange, onKeep }: Props) {
  const { name } = settings;
  const numbered = name === "contrast" || name === "mix" || name === "hsl" ? name : null;
  return (
    <Flex direction="column" gap="8px" marginTop="8px" fontSize="12px" data-testid="method-settings">
      <Flex gap="12px" align="flex-end" wrap="wrap">
        {name === "mix" && (
          <Choice
            label="Mixed in"
            value={settings.mix.space}
            items={items(["srgb", "linear", "oklab"])}
            onChoose={(space) =>
              onChange(({ mix }) => ({ mix: { ...mix, space: space as typeof mix.space } }))
            }
          />
        )}
        {name === "mix" && (
          <Option
            on={settings.mix.hold_hue ?? false}
            onTick={(hold_hue) => onChange(({ mix }) => ({ mix: { ...mix, hold_hue } }))}
          >
            Hold the hue; a plain mix turns it
          </Option>
        )}
        {name === "hsl" && (
          <Option
            on={settings.hsl.no_stronger ?? false}
            onTick={(no_stronger) => onChange(({ hsl }) => ({ hsl: { ...hsl, no_stronger } }))}
          >
            Tints no stronger than the hue; a dark color of high HSL saturation has neon ones
          </Option>
        )}
        {name === "ends" && (
          <>
            <Choice
              label="Mixed in"
              value={settings.ends.space}
              items={items(["oklab", "oklch", "linear", "srgb"])}
              onChoose={(space) =>
                onChange(({ ends }) => ({ ends: { ...ends, space: space as typeof ends.space } }))
              }
            />
            <End which="light" texts={texts} onKeep={onKeep} />
            <End which="dark" texts={texts} onKeep={onKeep} />
          </>
        )}
        {name === "contrast" && <Ground texts={texts} onKeep={onKeep} />}
        {numbered && settings[numbered].targets.length > 0 && (
          <ToolButton onClick={() => onChange((now) => ({ [numbered]: { ...now[numbered], targets: [] } }))}>
            All figures as generated
          </ToolButton>
        )}
      </Flex>
      {name === "ends" && inForce && <StopsBetween detail={detail} texts={texts} onKeep={onKeep} />}
      {inForce && detail.astray.map((words) => <Text key={words}>{words}</Text>)}
      {numbered && inForce && detail.figures && (
        <Figures
          numbered={numbered}
          detail={detail}
          typed={settings[numbered].targets}
          onType={(step, value) =>
            onChange((now) => {
              const others = now[numbered].targets.filter((each) => each.step !== step);
              return { [numbered]: { ...now[numbered], targets: [...others, { step, value }] } };
            })
          }
        />
      )}
    </Flex>
  );
}

interface FiguresProps {
  numbered: keyof typeof NUMBERS;
  detail: ScaleDetail;
  typed: TypedValue[];
  onType: (step: string, value: number) => Promise<boolean>;
}

/** The method's own numbers; what was typed is bold, all others follow the ladder. */
function Figures({ numbered, detail, typed, onType }: FiguresProps) {
  const { words, ...limits } = NUMBERS[numbered];
  const off = detail.ladder.steps.flatMap((step, place) => {
    const reached = detail.reached?.[place];
    const asked = typed.find((each) => each.step === step.id);
    const why = reached?.short ?? reached?.over;
    return asked && reached && why
      ? [`${step.label}: ${asked.value} typed, ${reached.text} published; ${why}.`]
      : [];
  });
  return (
    <>
      <FigureFields {...{ numbered, detail, typed, onType, words, limits }} />
      {off.length > 0 && <Text data-testid="short-of">{off.join(" ")}</Text>}
    </>
  );
}

type FieldsProps = FiguresProps & {
  words: string;
  limits: Omit<(typeof NUMBERS)[keyof typeof NUMBERS], "words">;
};

function FigureFields({ detail, typed, onType, words, limits }: FieldsProps) {
  return (
    <Flex gap="10px" align="flex-start">
      <Box width="140px" flexShrink={0} marginTop="20px">
        <Text minHeight="24px">{words}</Text>
        {detail.reached && <Text>reached as published</Text>}
      </Box>
      <Flex gap="4px" wrap="wrap">
        {detail.ladder.steps.map((step, place) => {
          const own = typed.some((each) => each.step === step.id);
          const reached = detail.reached?.[place];
          return (
            <Box key={step.id} fontWeight={own ? 700 : 400}>
              <Text fontFamily="mono">{step.label}</Text>
              <NumberField
                label={`${words} of ${step.label}`}
                value={detail.figures?.[place] ?? 0}
                {...limits}
                width="60px"
                onCommit={(value) => onType(step.id, value)}
              />
              {reached && (
                <Text
                  fontFamily="mono"
                  textAlign="right"
                  paddingRight="6px"
                  fontWeight={reached.short ? 700 : 400}
                  title={
                    reached.short
                      ? `${step.label} is published at ${reached.text}: ${reached.short}`
                      : `${step.label} is published at ${reached.text}`
                  }
                >
                  {reached.text}
                </Text>
              )}
            </Box>
          );
        })}
      </Flex>
    </Flex>
  );
}

interface OptionProps {
  on: boolean;
  onTick: (on: boolean) => void;
  children: string;
}

function Option({ on, onTick, children }: OptionProps) {
  return (
    <Flex as="label" align="center" gap="6px" minHeight="26px">
      <Check checked={on} onChange={(event) => onTick(event.target.checked)} />
      {children}
    </Flex>
  );
}

/** Colors that somebody puts between the ends, each at a step; the hue itself stands where it is anchored. */
function StopsBetween({ detail, texts, onKeep }: ColorProps & { detail: ScaleDetail }) {
  return (
    <Flex gap="4px" wrap="wrap" data-testid="stops-between">
      {detail.ladder.steps.slice(1, -1).map((step) => (
        <TextField
          key={step.id}
          label={`Stop at ${step.label}`}
          value={texts.stops[step.id] ?? ""}
          width="92px"
          mono
          onCommit={(text) =>
            onKeep(({ ends }) => {
              const others = (ends.stops ?? []).filter((each) => each.step !== step.id);
              const color = text.trim();
              return { ends: { ...ends, stops: color ? [...others, { step: step.id, color }] : others } };
            })
          }
        />
      ))}
    </Flex>
  );
}

type ColorProps = Pick<Props, "texts" | "onKeep">;

function End({ which, texts, onKeep }: ColorProps & { which: "light" | "dark" }) {
  return (
    <TextField
      label={`${which === "light" ? "Light" : "Dark"} end, empty for even lightness`}
      value={texts[which] ?? ""}
      width="210px"
      mono
      onCommit={(text) => onKeep(({ ends }) => ({ ends: { ...ends, [which]: text.trim() || null } }))}
    />
  );
}

function Ground({ texts, onKeep }: ColorProps) {
  return (
    <TextField
      label="Ground, in any notation"
      value={texts.ground}
      width="150px"
      mono
      onCommit={(ground) => onKeep(({ contrast }) => ({ contrast: { ...contrast, ground } }))}
    />
  );
}
