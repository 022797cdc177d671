/** Themes: which there are, what they rest on; a new one proposed from another, with what cannot be kept. */
import { Box, Flex, Text } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { client, data, problemOf, type ThemeView } from "../../../api/client";
import { edit } from "../../../api/edits";
import { newId } from "../../../api/ids";
import { Choice } from "../../../components/Choice";
import { TextField } from "../../../components/TextField";
import { ToolButton } from "../../../components/ToolButton";
import { usePart, useWorkspace } from "../../../workspace/hooks";
import { look, useLook, useSeeing } from "../../../workspace/look";
import { Area } from "../../shared/Area";
import { MovedTokens } from "./MovedTokens";

const SCHEMES = [
  { value: "light", words: "light" },
  { value: "dark", words: "dark" },
] as const;
const CONTRASTS = [
  { value: "usual", words: "usual" },
  { value: "more", words: "more" },
] as const;

export function ThemesArea() {
  const themes = usePart("head", (head) => head.themes);
  return (
    <Area title="Themes">
      <Flex gap="24px" align="flex-start" wrap="wrap">
        <Box flex="1 1 380px" minWidth="0" data-testid="themes">
          {themes.map((theme, place) => (
            <ThemeRow key={theme.id} theme={theme} themes={themes} place={place} />
          ))}
        </Box>
        <Proposal themes={themes} />
      </Flex>
    </Area>
  );
}

function ThemeRow({ theme, themes, place }: { theme: ThemeView; themes: ThemeView[]; place: number }) {
  const { keep, put, putFrom } = useWorkspace();
  const shown = usePart("head", (head) => head.theme?.id);
  const set = (change: Partial<ThemeView>) =>
    void putFrom(({ head }) => {
      // What was chosen a moment ago, and is on its way, stays.
      const now = head?.themes.find((each) => each.id === theme.id) ?? theme;
      const { scheme, contrast, base } = { ...now, ...change };
      return [edit("set_theme", { theme: theme.id, scheme, contrast, base })];
    });
  const others = themes.filter((other) => other.id !== theme.id);
  return (
    <Flex gap="8px" align="flex-end" wrap="wrap" marginBottom="8px" fontSize="12px">
      <TextField
        label={place === 0 ? "First theme" : `Theme ${place + 1}`}
        value={theme.name}
        width="104px"
        onCommit={(name) => keep([edit("rename_theme", { theme: theme.id, name })])}
      />
      <Choice
        label="Grounds"
        of={`of ${theme.name}`}
        value={theme.scheme}
        items={SCHEMES}
        onChoose={(scheme) => set({ scheme })}
      />
      <Choice
        label="Contrast"
        of={`of ${theme.name}`}
        value={theme.contrast}
        items={CONTRASTS}
        onChoose={(contrast) => set({ contrast })}
      />
      <Choice
        label="Rests on"
        of={`of ${theme.name}`}
        value={theme.base ?? ""}
        items={[
          { value: "", words: "none" },
          ...others.map((other) => ({ value: other.id, words: other.name })),
        ]}
        onChoose={(base) => set({ base: base || null })}
      />
      {shown === theme.id ? (
        <Text minHeight="24px" lineHeight="24px">
          shown
        </Text>
      ) : (
        <ToolButton onClick={() => look({ theme: theme.id })}>Show {theme.name}</ToolButton>
      )}
      {themes.length > 1 && (
        <ToolButton
          onClick={() => {
            if (shown === theme.id) look({ theme: null });
            void put(edit("remove_theme", { theme: theme.id }));
          }}
        >
          Remove {theme.name}
        </ToolButton>
      )}
    </Flex>
  );
}

function Proposal({ themes }: { themes: ThemeView[] }) {
  const slug = useLook((at) => at.slug);
  const seeing = useSeeing();
  const revision = usePart("head", (head) => head.revision);
  const { keep } = useWorkspace();
  const [id, setId] = useState(newId);
  const [source, setSource] = useState<string | null>(null);
  const [name, setName] = useState("");
  const [scheme, setScheme] = useState<ThemeView["scheme"]>("dark");
  const [contrast, setContrast] = useState<ThemeView["contrast"]>("usual");
  const [problem, setProblem] = useState<string | null>(null);
  const [added, setAdded] = useState("");
  const from = themes.some((theme) => theme.id === source) ? (source as string) : (themes[0]?.id ?? "");
  const query = useQuery({
    queryKey: ["theme", slug, revision, seeing, from, id, name, scheme, contrast],
    queryFn: () =>
      data(
        client.POST("/api/systems/{slug}/theme-proposal", {
          params: { path: { slug } },
          body: { ...seeing, source: from, id, name, scheme, contrast },
        }),
      ),
    enabled: from !== "" && added === "",
    placeholderData: (before) => before,
    retry: false,
  });
  const plan = query.error ? undefined : query.data;
  const add = async () => {
    if (!plan) return;
    try {
      await keep([plan.edit]);
      look({ theme: id });
      setAdded(plan.name);
      setId(newId());
      setName("");
      setProblem(null);
    } catch (thrown) {
      setProblem(problemOf(thrown).message);
    }
  };
  if (added !== "")
    return (
      <Flex flex="1.4 1 420px" gap="8px" align="center" fontSize="12px" data-testid="theme-proposal">
        <Text role="status">
          <strong>{added}</strong> was added and is shown.
        </Text>
        <ToolButton onClick={() => setAdded("")}>Propose another</ToolButton>
      </Flex>
    );
  return (
    <Box flex="1.4 1 420px" minWidth="0" data-testid="theme-proposal">
      <Flex gap="8px" align="flex-end" wrap="wrap" marginBottom="6px">
        <TextField
          label="A new theme"
          value={name}
          placeholder={plan?.name ?? "night"}
          width="150px"
          onCommit={async (text) => setName(text)}
        />
        <Choice
          label="From"
          value={from}
          items={themes.map((theme) => ({ value: theme.id, words: theme.name }))}
          onChoose={setSource}
        />
        <Choice label="Grounds" value={scheme} items={SCHEMES} onChoose={setScheme} />
        <Choice label="Contrast" value={contrast} items={CONTRASTS} onChoose={setContrast} />
        <ToolButton disabled={!plan} onClick={() => void add()}>
          Add the theme
        </ToolButton>
      </Flex>
      {(problem ?? query.error) && (
        <Text role="alert" fontWeight="700" fontSize="12px">
          {problem ?? problemOf(query.error).message}
        </Text>
      )}
      {plan && (
        <>
          <Text fontSize="12px" fontWeight={plan.lost.length > 0 ? "700" : "400"}>
            {plan.lost.length === 0
              ? "Every pairing keeps what it needs."
              : `${plan.lost.length} could not be kept: ${plan.lost.join(" ")}`}
          </Text>
          <MovedTokens moved={plan.moved} />
        </>
      )}
    </Box>
  );
}
