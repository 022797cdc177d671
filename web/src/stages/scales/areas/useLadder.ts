/** The ladder that is being shaped: a draft of it, what it would take away, and the sheet as it would be. */

import { useQuery } from "@tanstack/react-query";
import { useCallback, useEffect, useState } from "react";
import {
  client,
  data,
  type Edit,
  type LadderStepView,
  type LadderView,
  problemOf,
} from "../../../api/client";
import { edit } from "../../../api/edits";
import { draftKey, useShapedDraft } from "../../../util/drafts";
import { usePart, useWorkspace } from "../../../workspace/hooks";
import { useLook } from "../../../workspace/look";

/** A step of the draft; a new one has no id yet. `key` tells the rows apart while labels are typed. */
export interface DraftStep extends LadderStepView {
  key: string;
}

export interface Draft {
  name: string;
  steps: DraftStep[];
}

const keyed = (steps: LadderStepView[]): DraftStep[] => steps.map((step) => ({ ...step, key: step.id }));
const asDraft = (ladder: LadderView): Draft => ({ name: ladder.name, steps: keyed(ladder.steps) });

export function useLadder(hue: string | null) {
  const slug = useLook((at) => at.slug);
  const revision = usePart("head", (head) => head.revision);
  const { preview, endPreview, keep, tell } = useWorkspace();
  const [draft, setDraft] = useShapedDraft<Draft>(draftKey(`ladder ${hue ?? "of all"}`, slug));
  const [asAll, setAsAll] = useState(false);
  const query = useQuery({
    queryKey: ["ladder-plan", slug, revision, hue, asAll, draft],
    queryFn: () =>
      data(
        client.POST("/api/systems/{slug}/ladder-plan", {
          params: { path: { slug } },
          body: { hue, ladder: asAll ? null : sent(draft) },
        }),
      ),
    enabled: draft !== null || asAll,
    placeholderData: (before) => before,
    retry: false,
  });
  const taking = useCallback((): Edit => {
    if (hue) return edit("set_hue_ladder", { hue, ladder: asAll ? null : sent(draft) });
    return edit("set_ladder", { ladder: sent(draft) });
  }, [asAll, draft, hue]);
  const problem = query.error ? problemOf(query.error) : null;
  const fits = problem === null && (draft !== null || asAll);
  useEffect(() => {
    if (fits && query.data && !query.isPlaceholderData) preview([taking()]);
  }, [fits, query.data, query.isPlaceholderData, preview, taking]);
  // Of another ladder nothing is tried yet.
  // biome-ignore lint/correctness/useExhaustiveDependencies: with each hue anew
  useEffect(() => {
    setAsAll(false);
    return endPreview;
  }, [endPreview, hue]);

  const leave = useCallback(() => {
    setDraft(null);
    setAsAll(false);
    endPreview();
  }, [endPreview, setDraft]);
  const change = useCallback(
    (next: Draft) => {
      setAsAll(false);
      setDraft(next);
    },
    [setDraft],
  );
  const use = async () => {
    try {
      await keep([taking()]);
      leave();
    } catch (thrown) {
      // The draft stays, so that what was shaped is not lost.
      tell({ words: problemOf(thrown).message, actions: [] });
    }
  };
  return {
    draft,
    change,
    followAll: () => setAsAll(true),
    leave,
    use,
    asDraft,
    fits: fits && !query.isPlaceholderData,
    losses: fits ? (query.data?.losses ?? []) : [],
    problem,
    changed: draft !== null || asAll,
  };
}

function sent(draft: Draft | null) {
  return draft === null ? "" : shapedOf(draft);
}

/** A draft as the server reads it. */
export function shapedOf(draft: Draft) {
  return { name: draft.name, steps: draft.steps.map(({ key: _, uses: __, ...step }) => step) };
}
