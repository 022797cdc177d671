/** How far the handle that is looked at can move before a finding changes: asked for once it rests. */
import { type CurveView, client, data } from "../../../api/client";
import { useLooking } from "../../../state/looking";
import { useRested } from "../../../state/useRested";
import { useView } from "../../../state/workspace";

export function useSafeHandle(
  shown: string,
  hues: string[] | null,
  handle: { curve: CurveView["name"]; at: number } | null,
) {
  const { slug, looking } = useLooking();
  const revision = useView((view) => view.revision);
  const theme = looking.theme ?? null;
  return useRested(
    ["safe-handle", slug, revision, shown, hues, handle, theme],
    handle &&
      ((signal) => {
        const edit = { type: "aim_curve" as const, shown, hues, ...handle, value: null };
        const body = { edit, theme };
        return data(
          client.POST("/api/systems/{slug}/safe-handle", { params: { path: { slug } }, body, signal }),
        );
      }),
  );
}
