/** How far the lightness of a ladder's step can move before a finding changes: asked for once it rests. */
import { client, data } from "../../../api/client";
import { useLooking } from "../../../state/looking";
import { useRested } from "../../../state/useRested";
import { useView } from "../../../state/workspace";
import { type Draft, shapedOf } from "./useLadder";

export function useSafeRung(hue: string | null, draft: Draft, step: number | null) {
  const { slug, looking } = useLooking();
  const revision = useView((view) => view.revision);
  const theme = looking.theme ?? null;
  const ladder = shapedOf(draft);
  return useRested(
    ["safe-rung", slug, revision, hue, ladder, step, theme],
    step === null
      ? null
      : (signal) => {
          const body = { hue, ladder, step, theme };
          return data(
            client.POST("/api/systems/{slug}/safe-rung", { params: { path: { slug } }, body, signal }),
          );
        },
  );
}
