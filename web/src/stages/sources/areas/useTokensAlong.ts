/**
 * Tokens that must be told apart stand on steps. Where the colors of status hues change, those steps are no longer the
 * ones that carry the hues' own colors; so the tokens go along, to where these are anchored now.
 */
import { useCallback } from "react";
import { client, data, type Edit } from "../../../api/client";
import { useLooking } from "../../../state/looking";
import { useView } from "../../../state/workspace";

export function useTokensAlong() {
  const { slug, looking } = useLooking();
  const revision = useView((view) => view.revision);
  const latest = useView((view) => view.latest);
  return useCallback(
    async (edits: object[]): Promise<object[]> => {
      const body = { base: revision, edits: edits as Edit[], view: looking, latest };
      const after = await data(
        client.POST("/api/systems/{slug}/preview", { params: { path: { slug } }, body }),
      );
      const apart = new Set(after.told_apart.flatMap((set) => set.tokens));
      return after.tokens.flatMap((token) => {
        const hue = after.hues.find((each) => each.id === token.value.hue && each.status);
        const own = hue?.steps.find((step) => step.anchor);
        if (!hue || !own || !apart.has(token.id) || token.value.step === own.id || !after.theme) return [];
        const value = { kind: "step", hue: hue.id, step: own.id };
        return [{ type: "set_token_value", token: token.id, theme: after.theme.id, value }];
      });
    },
    [slug, looking, revision, latest],
  );
}
