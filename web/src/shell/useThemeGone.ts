/** A theme that somebody else has removed while it is looked at: it is said, and what is shown instead is chosen. */
import { useEffect, useRef } from "react";
import { useKnown, useWorkspace } from "../workspace/hooks";
import { look, useLook } from "../workspace/look";

export function useThemeGone() {
  const { tell } = useWorkspace();
  const wanted = useLook((at) => at.theme);
  const themes = useKnown(({ parts }) => parts?.head?.themes);
  const called = useRef(new Map<string, string>());
  useEffect(() => {
    if (!themes) return;
    const there = wanted === null || themes.some((theme) => theme.id === wanted);
    if (!there) {
      const was = called.current.get(wanted);
      const now = themes[0]?.name;
      look({ theme: null });
      tell({
        words: `${was ? `The theme ${was}` : "The theme that you looked at"} is there no more: it was removed.${now ? ` This is ${now}.` : ""}`,
        actions: [{ words: "Close", act: () => tell(null) }],
      });
    }
    called.current = new Map(themes.map(({ id, name }) => [id, name]));
  }, [themes, wanted, tell]);
}
