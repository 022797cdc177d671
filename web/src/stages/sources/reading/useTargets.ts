/** Where lines can go: the hues whose values they replace, the steps that they are pinned at. */
import { useQuery } from "@tanstack/react-query";
import { useMemo } from "react";
import { stepKey } from "../../../api/keys";
import { usePart } from "../../../workspace/hooks";
import { useLook, useSeeing } from "../../../workspace/look";
import { server } from "../../../workspace/server";
import type { Target } from "./TargetSelect";

export function useTargets(pinning: boolean) {
  const slug = useLook((at) => at.slug);
  const seeing = useSeeing();
  const hues = usePart("hues");
  const revision = usePart("head", (head) => head.revision);
  // The sheet is asked for only where colors are pinned to it.
  const sheet = useQuery({
    queryKey: ["targets", slug, revision, seeing],
    queryFn: () => server.open(slug, { ...seeing, parts: ["scales"] }),
    enabled: pinning,
    placeholderData: (before) => before,
  });
  const steps = useMemo(() => {
    const names = new Map(hues.map((hue) => [hue.id, hue.name]));
    return (sheet.data?.scales ?? []).flatMap((scale) =>
      scale.steps.map((step) => ({
        ...step,
        hue: scale.hue,
        words: `${names.get(scale.hue) ?? ""} ${step.label}`,
      })),
    );
  }, [sheet.data, hues]);
  const byKey = useMemo(() => new Map(steps.map((step) => [step.key, step])), [steps]);
  return {
    hue: (id: string) => hues.find((hue) => hue.id === id) ?? null,
    step: (key: string) => byKey.get(key) ?? null,
    hues: (): Target[] => hues.map((hue) => ({ value: hue.id, words: hue.name, group: hue.kind })),
    steps: (): Target[] =>
      steps.map((step) => ({ value: step.key, words: step.words, group: step.words.replace(/ \S+$/, "") })),
  };
}

/** The key of the step that a line was found to fit best. */
export const fitKey = (fit: { hue: string; step: string } | null) => (fit ? stepKey(fit.hue, fit.step) : "");
