/** A field for the name of something published, with all of them to choose from. */
import { Box, Input, Text } from "@chakra-ui/react";
import { useState } from "react";
import type { PublishedColorView } from "../../../api/client";

const LIST = "published-names";

/** What can be chosen, once for all fields. */
export function PublishedNames({ colors }: { colors: PublishedColorView[] }) {
  return (
    <datalist id={LIST}>
      {colors.map((color) => (
        <option key={color.id} value={color.name} />
      ))}
    </datalist>
  );
}

interface Props {
  label: string;
  /** The id of what is chosen, or nothing. */
  value: string | null;
  colors: PublishedColorView[];
  onChoose: (id: string | null) => void;
}

export function PublishedName({ label, value, colors, onChoose }: Props) {
  const known = colors.find((color) => color.id === value);
  const [typed, setTyped] = useState<string | null>(null);
  const [problem, setProblem] = useState("");
  const commit = () => {
    if (typed === null) return;
    const wanted = typed.trim();
    const found = colors.find((color) => color.name === wanted);
    if (wanted && !found) {
      setProblem(`Nothing published is called “${wanted}”.`);
      return;
    }
    setProblem("");
    setTyped(null);
    if ((found?.id ?? null) !== value) onChoose(found?.id ?? null);
  };
  return (
    <Box display="inline-flex" alignItems="center" gap="6px" minWidth="0">
      <Box
        width="28px"
        height="22px"
        flexShrink={0}
        border={known ? undefined : "1px dashed"}
        borderColor="border.emphasized"
        style={{ background: known?.swatch.seen }}
        data-sample
      />
      <Input
        aria-label={label}
        aria-invalid={problem !== ""}
        list={LIST}
        size="xs"
        height="24px"
        width="190px"
        fontFamily="mono"
        borderColor="border.emphasized"
        autoComplete="off"
        placeholder="nothing"
        value={typed ?? known?.name ?? ""}
        onChange={(event) => setTyped(event.target.value)}
        onBlur={commit}
        onKeyDown={(event) => {
          if (event.key === "Enter") commit();
          if (event.key === "Escape" && typed !== null) {
            event.stopPropagation();
            event.preventDefault();
            setTyped(null);
            setProblem("");
          }
        }}
      />
      {problem && (
        <Text role="alert" fontSize="12px" fontWeight="700">
          {problem}
        </Text>
      )}
    </Box>
  );
}
