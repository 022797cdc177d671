/** The workspace in React: a part asked for by name is drawn again only when it has changed. */
import { createContext, type ReactNode, useContext, useEffect, useState } from "react";
import { useStore } from "zustand";
import type { PartName, Parts } from "../api/client";
import type { Known } from "./known";
import { useLook } from "./look";
import { type Server, server } from "./server";
import { Workspace } from "./Workspace";

const WorkspaceContext = createContext<Workspace | null>(null);

interface Provided {
  wanted: string;
  children: ReactNode;
  /** Whom the workspace asks, where that is not the application's own server. */
  from?: Server;
}

/** The system that is wanted has a workspace of its own: nothing of one is shown in another. */
export function WorkspaceProvider({ wanted, children, from = server }: Provided) {
  const slug = useLook((look) => look.slug);
  // On the way in from a list, the look is still at the system before, or at none.
  if (slug !== wanted) return null;
  return (
    <SystemWorkspace key={slug} slug={slug} from={from}>
      {children}
    </SystemWorkspace>
  );
}

function SystemWorkspace({ slug, children, from }: { slug: string; children: ReactNode; from: Server }) {
  const [workspace] = useState(() => new Workspace(slug, from));
  useEffect(() => {
    workspace.start();
    // What waits is sent again after a reload; before a window is closed for good, it is asked about.
    const leave = (event: Event) => {
      if (workspace.leave() && event.type === "beforeunload") event.preventDefault();
    };
    window.addEventListener("beforeunload", leave);
    window.addEventListener("pagehide", leave);
    return () => {
      window.removeEventListener("beforeunload", leave);
      window.removeEventListener("pagehide", leave);
      workspace.stop();
    };
  }, [workspace]);
  return <WorkspaceContext value={workspace}>{children}</WorkspaceContext>;
}

/** The workspace itself, for who acts in it: it stays the same while the system is open. */
export function useWorkspace(): Workspace {
  const found = useContext(WorkspaceContext);
  if (!found) throw new Error("useWorkspace stands inside WorkspaceProvider");
  return found;
}

/** Something of what is known. Who asks is drawn again only when that has changed. */
export function useKnown<Part>(part: (known: Known) => Part): Part {
  return useStore(useWorkspace().store, part);
}

/** What is known at the moment of asking: for who acts on it and does not show it. */
export function useNow(): () => Partial<Parts> {
  const { store } = useWorkspace();
  return () => store.getState().parts ?? {};
}

/** A part of the system, or something in it, where the stage says in its manifest that it needs the part. What is made
 * anew of a part at every asking would count as changed every time. */
export function usePart<Name extends PartName>(name: Name): Parts[Name];
export function usePart<Name extends PartName, Inside>(
  name: Name,
  inside: (part: Parts[Name]) => Inside,
): Inside;
export function usePart<Name extends PartName>(name: Name, inside = (part: Parts[Name]): unknown => part) {
  return useKnown(({ parts }) => {
    const part = parts?.[name];
    if (part === undefined) throw new Error(`the part ${name} is shown and was not asked for`);
    return inside(part as Parts[Name]);
  });
}
