/** How a palette is used: what is drawn beside its colors, what else tells them apart, where it is seen, which tokens are it. */
import { Box, Flex, Grid, Text } from "@chakra-ui/react";
import { useState } from "react";
import { client, data, type PaletteView, problemOf } from "../../../api/client";
import { edit } from "../../../api/edits";
import { Choice } from "../../../components/Choice";
import { Swatch } from "../../../components/Swatch";
import { Switch } from "../../../components/Switch";
import { TextField } from "../../../components/TextField";
import { ToolButton } from "../../../components/ToolButton";
import { usePart, useWorkspace } from "../../../workspace/hooks";
import { useLook } from "../../../workspace/look";
import { Area } from "../../shared/Area";
import type { Telling } from "../marks/frame";
import { type Categorical, remade, useShownPalette, type Value } from "../palette";

const ROLES = [
  { role: "missing", words: "Missing", what: "no data" },
  { role: "highlighted", words: "Highlighted", what: "the one that is spoken of" },
  { role: "muted", words: "Muted", what: "all beside it" },
  { role: "other", words: "Other", what: "what has no color of its own" },
] as const;
const WAYS: { way: Telling; words: string }[] = [
  { way: "gap", words: "A gap where they touch" },
  { way: "outline", words: "An outline" },
  { way: "dash", words: "Dashes" },
  { way: "marker", words: "Shapes" },
  { way: "label", words: "Direct labels" },
];

export function UsedArea() {
  const shown = useShownPalette();
  if (!shown) {
    return (
      <Area title="In use">
        <Text fontSize="12px">There is no palette yet.</Text>
      </Area>
    );
  }
  return (
    <Area title={`${shown.name} in use`}>
      <Grid templateColumns="repeat(auto-fit, minmax(320px, 1fr))" gap="20px" fontSize="12px">
        <Others key={shown.id} palette={shown} />
        <Box>
          {shown.kind === "categorical" && <ToldApart palette={shown} />}
          <SeenWith palette={shown} />
          <Bound palette={shown} />
        </Box>
      </Grid>
    </Area>
  );
}

/** The colors beside those of the palette. */
function Others({ palette }: { palette: PaletteView }) {
  const slug = useLook((at) => at.slug);
  const { put, keep } = useWorkspace();
  return (
    <Box data-testid="other-colors">
      <Text fontWeight="700" marginBottom="4px">
        Beside its colors
      </Text>
      {ROLES.map(({ role, words, what }) => {
        const color = palette.others.find((each) => each.role === role);
        return (
          <Flex key={role} gap="8px" align="center" minHeight="32px">
            <Box
              width="28px"
              height="24px"
              flexShrink={0}
              border={color ? "none" : "1px dashed"}
              style={{ background: color?.seen }}
              data-hex={color?.hex}
            />
            <Box width="150px" lineHeight="1.2">
              <strong>{words}</strong>
              <Text color="fg.muted">{color ? `${color.words}, ${color.contrast}` : what}</Text>
            </Box>
            <TextField
              label={`What is ${role} in ${palette.name}: a name or a color`}
              hideLabel
              mono
              width="120px"
              placeholder="none"
              value={color?.hex ?? ""}
              onCommit={async (text) => {
                const path = { slug };
                const named = await data(
                  client.GET("/api/systems/{slug}/value-named", { params: { path, query: { text } } }),
                );
                await keep([
                  edit("set_other_color", { palette: palette.id, role, value: named.value as Value }),
                ]);
              }}
            />
            {color?.own && (
              <ToolButton
                aria-label={`Let what is ${role} follow its token`}
                onClick={() => void put(edit("set_other_color", { palette: palette.id, role, value: null }))}
              >
                As its token
              </ToolButton>
            )}
          </Flex>
        );
      })}
    </Box>
  );
}

function ToldApart({ palette }: { palette: PaletteView }) {
  const { putFrom } = useWorkspace();
  const make = palette.make as Categorical;
  const set = (change: (now: Categorical) => Partial<Categorical>) =>
    void putFrom(remade<Categorical>(palette.id, (now) => ({ ...now, ...change(now) })));
  const told = make.told_by ?? [];
  return (
    <Box marginBottom="10px">
      <Text fontWeight="700" marginBottom="4px">
        Told apart also by
      </Text>
      <Flex gap="6px" wrap="wrap" align="center">
        {WAYS.map(({ way, words }) => (
          <Switch
            key={way}
            on={told.includes(way)}
            onClick={() =>
              set(({ told_by: now = [] }) => ({
                told_by: now.includes(way) ? now.filter((each) => each !== way) : [...now, way],
              }))
            }
          >
            {words}
          </Switch>
        ))}
        <Choice
          label="Marks"
          value={make.marks ?? "large"}
          items={[
            { value: "large", words: "large" },
            { value: "small", words: "small: half as far again" },
          ]}
          onChoose={(marks) => set(() => ({ marks: marks as "large" | "small" }))}
        />
      </Flex>
    </Box>
  );
}

function SeenWith({ palette }: { palette: PaletteView }) {
  const palettes = usePart("palettes");
  const { keep } = useWorkspace();
  const others = palettes.filter(
    (each) => each.view !== "" && each.view === palette.view && each !== palette,
  );
  return (
    <Flex gap="8px" align="center" wrap="wrap" marginBottom="10px">
      <Text fontWeight="700">Seen in</Text>
      <TextField
        key={palette.id}
        label={`The view that ${palette.name} is seen in`}
        hideLabel
        width="150px"
        placeholder="a view, by any name"
        value={palette.view}
        onCommit={(view) =>
          keep([edit("describe_palette", { palette: palette.id, view, column: null, note: null })])
        }
      />
      <Text color="fg.muted">
        {others.length > 0
          ? `at once with ${others.map((each) => each.name).join(", ")}`
          : "Palettes of one view are checked against each other."}
      </Text>
    </Flex>
  );
}

function Bound({ palette }: { palette: PaletteView }) {
  const slug = useLook((at) => at.slug);
  const { put } = useWorkspace();
  const [said, setSaid] = useState("");
  const bind = async () => {
    setSaid("");
    try {
      const { edits } = await data(
        client.POST("/api/systems/{slug}/palettes/{palette}/binding", {
          params: { path: { slug, palette: palette.id } },
        }),
      );
      if (edits.length > 0) await put(...edits);
      else setSaid(`They are the colors of ${palette.name} already.`);
    } catch (thrown) {
      setSaid(problemOf(thrown).message);
    }
  };
  const kind = palette.kind === "categorical" ? "series" : palette.kind;
  return (
    <Box>
      <Flex gap="8px" align="center" wrap="wrap">
        <Text fontWeight="700">Tokens</Text>
        <ToolButton onClick={() => void bind()}>
          {palette.colors.slice(0, 2).map((color) => (
            <Swatch key={color.id} seen={color.seen} />
          ))}
          Let chart.{kind} be its colors
        </ToolButton>
      </Flex>
      <Text color="fg.muted" marginTop="4px" data-testid="bound">
        {palette.bound.length > 0
          ? `These stand on it: ${palette.bound.join(", ")}.`
          : "No token stands on it. The specimen’s charts are drawn with chart.series, chart.sequential and chart.diverging."}
      </Text>
      {said && (
        <Text role="status" fontWeight="700">
          {said}
        </Text>
      )}
    </Box>
  );
}
