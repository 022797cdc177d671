/** How far the handle that is looked at can move before a finding changes: asked for once it rests. */
import { type CurveView, client, data } from "../../../api/client";
import { usePart } from "../../../workspace/hooks";
import { useLook } from "../../../workspace/look";
import { useRested } from "../../../workspace/useRested";

export function useSafeHandle(
  shown: string,
  hues: string[] | null,
  handle: { curve: CurveView["name"]; at: number } | null,
) {
  const slug = useLook((at) => at.slug);
  const revision = usePart("head", (head) => head.revision);
  return useRested(
    ["safe-handle", slug, revision, shown, hues, handle],
    handle &&
      ((signal) => {
        const edit = { type: "aim_curve" as const, shown, hues, ...handle, value: null };
        return data(
          client.POST("/api/systems/{slug}/safe-handle", {
            params: { path: { slug } },
            body: { edit },
            signal,
          }),
        );
      }),
  );
}
