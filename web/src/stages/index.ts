/** All stages, in the order of the work. */

import { charts } from "./charts";
import { legibility } from "./legibility";
import type { StageManifest } from "./manifest";
import { releases } from "./releases";
import { scales } from "./scales";
import { sources } from "./sources";
import { tokens } from "./tokens";

export const STAGES: readonly StageManifest[] = [sources, scales, tokens, legibility, charts, releases];

/** The stage of an id; the first one where there is none of it. */
export const stageOf = (id: string): StageManifest =>
  STAGES.find((stage) => stage.id === id) ?? (STAGES[0] as StageManifest);
