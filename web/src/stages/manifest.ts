/** What the shell knows of a stage: its words, its work areas, and the parts of the system that they need. */
import { type ComponentType, createContext, type LazyExoticComponent, lazy } from "react";
import type { PartName, Parts } from "../api/client";
import type { Look } from "../workspace/look";

/** A component that is loaded when it is first shown, or before, by `load`. */
type Lazy = LazyExoticComponent<ComponentType> & { load: () => Promise<unknown> };

export function lazily<Name extends string>(
  load: () => Promise<Record<Name, ComponentType>>,
  name: Name,
): Lazy {
  return Object.assign(
    lazy(() => load().then((made) => ({ default: made[name] }))),
    { load },
  );
}

/** What a person may do; each includes those before it. */
export type Right = "look" | "edit" | "publish" | "administer";

export interface AreaManifest {
  id: string;
  words: string;
  /** What comes out of it, in a sentence. */
  says: string;
  /** What it takes to work in it. */
  needs: Right;
  /** What it needs besides what its stage needs. */
  parts: readonly PartName[];
  component: Lazy;
  /** Whether its button stands there though it is not open; always, where nothing is said. */
  offered?: (head: Parts["head"]) => boolean;
  /** An opener, where nothing is said; a command beside the title; a view of the stage; or come to from another area. */
  as?: "command" | "view" | { from: string };
  /** The room that it takes: the sheet but for a strip of what it changes, where nothing is said; the specimen's as well;
   * or a part of the sheet, which stays in sight above it. */
  room?: "all" | "part";
  /** A new group of openers begins with it. */
  apart?: boolean;
}

export interface StageManifest {
  id: string;
  words: string;
  /** What the stage needs, in the way it is looked at. */
  parts: (look: Look, screen: string) => readonly PartName[];
  component: Lazy;
  /** Whether its own sheet shows the colors at work, so that no specimen stands beside it. */
  draws?: boolean;
  areas: readonly AreaManifest[];
  /** Whether it takes what was dropped or pasted; all else is read in Sources. */
  takes?: (files: readonly File[], text: string) => boolean;
}

/** The work area of a stage by its id, if it has it. */
export const areaOf = (stage: StageManifest, id: string | null) =>
  stage.areas.find((area) => area.id === id) ?? null;

/** The stage that is shown: while another is still loaded, this is not yet the one that is looked at. */
export const StageContext = createContext<StageManifest | null>(null);
