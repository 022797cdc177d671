/** How far the lightness of a ladder's step can move before a finding changes: asked for once it rests. */
import { client, data } from "../../../api/client";
import { usePart } from "../../../workspace/hooks";
import { useLook } from "../../../workspace/look";
import { useRested } from "../../../workspace/useRested";
import { type Draft, shapedOf } from "./useLadder";

export function useSafeRung(hue: string | null, draft: Draft, step: number | null) {
  const slug = useLook((at) => at.slug);
  const revision = usePart("head", (head) => head.revision);
  const ladder = shapedOf(draft);
  return useRested(
    ["safe-rung", slug, revision, hue, ladder, step],
    step === null
      ? null
      : (signal) => {
          const body = { hue, ladder, step };
          return data(
            client.POST("/api/systems/{slug}/safe-rung", { params: { path: { slug } }, body, signal }),
          );
        },
  );
}
