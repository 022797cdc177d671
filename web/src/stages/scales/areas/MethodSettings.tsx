/** The few settings of a method: its space or ground, and its own numbers step by step. */
import { Box, Flex, Text } from "@chakra-ui/react";
import type { OpenedView, MethodView as Settings } from "../../../api/client";
import { Choice } from "../../../parts/Choice";
import { NumberField } from "../../../parts/NumberField";
import { TextField } from "../../../parts/TextField";
import { Tool } from "../../../parts/Tool";

interface Props {
  opened: OpenedView;
  settings: Settings;
  /** Whether the figures shown are those of these settings. */
  inForce: boolean;
  onChange: (change: Partial<Settings>) => void;
  /** For what is typed: rejects with a Problem that belongs to the field. */
  onKeep: (change: Partial<Settings>) => Promise<unknown>;
}

type TypedValue = Settings["hsl"]["targets"][number];

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

export function MethodSettings({ opened, settings, inForce, onChange, onKeep }: Props) {
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
              onChange({ mix: { ...settings.mix, space: space as typeof settings.mix.space } })
            }
          />
        )}
        {name === "ends" && (
          <>
            <Choice
              label="Mixed in"
              value={settings.ends.space}
              items={items(["oklab", "oklch", "linear", "srgb"])}
              onChoose={(space) =>
                onChange({ ends: { ...settings.ends, space: space as typeof settings.ends.space } })
              }
            />
            <End which="light" settings={settings} onKeep={onKeep} />
            <End which="dark" settings={settings} onKeep={onKeep} />
          </>
        )}
        {name === "contrast" && <Ground settings={settings} onKeep={onKeep} />}
        {numbered && settings[numbered].targets.length > 0 && (
          <Tool onClick={() => onChange({ [numbered]: { ...settings[numbered], targets: [] } })}>
            All figures as generated
          </Tool>
        )}
      </Flex>
      {numbered && inForce && opened.figures && (
        <Figures
          numbered={numbered}
          opened={opened}
          typed={settings[numbered].targets}
          onType={(targets) => onChange({ [numbered]: { ...settings[numbered], targets } })}
        />
      )}
    </Flex>
  );
}

interface FiguresProps {
  numbered: keyof typeof NUMBERS;
  opened: OpenedView;
  typed: TypedValue[];
  onType: (typed: TypedValue[]) => void;
}

/** The method's own numbers; what was typed is bold, all others follow the ladder. */
function Figures({ numbered, opened, typed, onType }: FiguresProps) {
  const { words, ...limits } = NUMBERS[numbered];
  return (
    <Flex gap="10px" align="flex-start">
      <Text width="140px" flexShrink={0} marginTop="20px">
        {words}
      </Text>
      <Flex gap="4px" wrap="wrap">
        {opened.ladder.steps.map((step, place) => {
          const own = typed.some((each) => each.step === step.id);
          return (
            <Box key={step.id} fontWeight={own ? 700 : 400}>
              <Text fontFamily="mono">{step.label}</Text>
              <NumberField
                label={`${words} of ${step.label}`}
                value={opened.figures?.[place] ?? 0}
                {...limits}
                width="60px"
                onCommit={(value) =>
                  onType([...typed.filter((each) => each.step !== step.id), { step: step.id, value }])
                }
              />
            </Box>
          );
        })}
      </Flex>
    </Flex>
  );
}

type ColorProps = Pick<Props, "settings" | "onKeep">;

function End({ which, settings, onKeep }: ColorProps & { which: "light" | "dark" }) {
  return (
    <TextField
      label={`${which === "light" ? "Light" : "Dark"} end, empty for even lightness`}
      value={textOf(settings.ends[which])}
      width="210px"
      mono
      onCommit={(text) => onKeep({ ends: { ...settings.ends, [which]: text.trim() || null } })}
    />
  );
}

function Ground({ settings, onKeep }: ColorProps) {
  return (
    <TextField
      label="Ground, in any notation"
      value={textOf(settings.contrast.ground)}
      width="150px"
      mono
      onCommit={(ground) => onKeep({ contrast: { ...settings.contrast, ground: ground as never } })}
    />
  );
}

/** A kept color, written as hex where it is of 8 bits; else by its parts. */
function textOf(color: unknown): string {
  const found = color as { space: string; components: number[] } | null;
  if (!found) return "";
  const parts = found.components.map((part) => Math.round(part * 255));
  const exact = found.components.every((part, place) => Math.abs(part * 255 - (parts[place] ?? 0)) < 1e-6);
  if (found.space === "srgb" && exact)
    return `#${parts.map((part) => part.toString(16).padStart(2, "0")).join("")}`.toUpperCase();
  return `color(${found.space} ${found.components.map((part) => part.toFixed(4)).join(" ")})`;
}
