/** What a start made of the colors that it was given, and what to do next in Sources. */
import { usePart } from "../../workspace/hooks";
import { useLook } from "../../workspace/look";
import { useStarted } from "../../workspace/started";
import { NextLine } from "../shared/NextLine";
import { counted } from "./adding";
import { KINDS } from "./order";

export function Made() {
  const slug = useLook((at) => at.slug);
  const started = useStarted((state) => state.slug === slug);
  const hues = usePart("hues");
  const { tokens, themes } = usePart("head");
  if (hues.length === 0) return null;
  const kinds = KINDS.flatMap(({ kind, words }) => {
    const names = hues.filter((hue) => hue.kind === kind).map((hue) => hue.name);
    return names.length > 0 ? [`${words.toLowerCase()} ${names.join(", ")}`] : [];
  });
  const told =
    started &&
    `Start made ${counted(hues.length, "hue")} (${kinds.join("; ")}), a scale of each, ${counted(tokens, "token")} and ${counted(themes.length, "theme")}.`;
  return (
    <NextLine stage="sources" told={told} onClose={() => useStarted.setState({ slug: null })}>
      select a hue, and see whether it is of the kind that it is meant for.
    </NextLine>
  );
}
