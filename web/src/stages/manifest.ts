/** What the shell knows of a stage: its words, its work areas, and the parts of the system that they need. */
import type { ComponentType, LazyExoticComponent } from "react";
import type { PartName } from "../api/client";
import type { Look } from "../workspace/look";

type Lazy = LazyExoticComponent<ComponentType>;

export interface AreaManifest {
  id: string;
  words: string;
  /** What it needs besides what its stage needs. */
  parts: readonly PartName[];
  component: Lazy;
}

export interface StageManifest {
  id: string;
  words: string;
  /** What the stage needs, in the way it is looked at. */
  parts: (look: Look) => readonly PartName[];
  component: Lazy;
  areas: readonly AreaManifest[];
}
