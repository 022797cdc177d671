/** Anchors as they are chosen: a way to stand, or a label by its id. */
export const anchorOf = (chosen: string) =>
  chosen === "nearest" || chosen === "guide"
    ? { mode: chosen as "nearest" | "guide", step: null }
    : { mode: "label" as const, step: chosen };
