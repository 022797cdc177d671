/** The theme that fills the sheet. Where there is only one, there is nothing to choose. */
import { Choice } from "../../components/Choice";
import { usePart } from "../../workspace/hooks";
import { look } from "../../workspace/look";

export function ThemeChoice() {
  const themes = usePart("head", (head) => head.themes);
  const theme = usePart("head", (head) => head.theme?.id ?? "");
  if (themes.length < 2) return null;
  return (
    <Choice
      label="Theme"
      value={theme}
      items={themes.map((each) => ({ value: each.id, words: each.name }))}
      onChoose={(chosen) => look({ theme: chosen })}
    />
  );
}
