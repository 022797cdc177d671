/** A server in a test's hands: every request waits until the test answers or refuses it. */
import { type Edit, type Looking, type PartName, type Parts, Problem } from "../src/api/client";
import type { Look } from "../src/workspace/known";
import type { Removal, Server } from "../src/workspace/server";
import { Workspace } from "../src/workspace/Workspace";

export interface Asked {
  what: "open" | "preview" | "keep" | "undo" | "redo";
  parts: PartName[];
  view: Looking;
  edits: Edit[];
  base: number;
  key: string;
  /** Of an undo or redo: whether it is only to pass over what cannot be taken back. */
  pass: boolean;
  answer: (parts: Partial<Parts>) => Promise<void>;
  refuse: (status: number, body?: ConstructorParameters<typeof Problem>[0]) => Promise<void>;
}

/** Let everything that follows from an answer happen. */
export const settled = () => new Promise((done) => setTimeout(done));

export class HeldServer implements Server {
  readonly asked: Asked[] = [];
  revision = 1;

  private wait(what: Asked["what"], view: Looking, more: Partial<Asked> = {}): Promise<Partial<Parts>> {
    return new Promise((resolve, reject) => {
      this.asked.push({
        what,
        view,
        parts: view.parts as PartName[],
        edits: [],
        base: 0,
        key: "",
        pass: false,
        ...more,
        answer: async (parts) => {
          resolve(parts);
          await settled();
        },
        refuse: async (status, body = {}) => {
          reject(new Problem(body, status));
          await settled();
        },
      });
    });
  }

  open = (_: string, view: Looking) => this.wait("open", view);
  preview = (_: string, base: number, edits: Edit[], view: Looking) =>
    this.wait("preview", view, { base, edits });
  keep = (_: string, base: number, edits: Edit[], view: Looking, key: string) =>
    this.wait("keep", view, { base, edits, key });
  takeBack = (_: string, kind: "undo" | "redo", view: Looking, key: string, pass: boolean) =>
    this.wait(kind, view, { key, pass });
  head = async () => this.revision;
  removed: Removal[] = [];
  removals = async () => this.removed;
  bringBack = (_: string, __: number, view: Looking, key: string) => this.wait("keep", view, { key });

  /** The newest request, which must be of a kind. */
  last(what: Asked["what"]): Asked {
    const found = this.asked.at(-1);
    if (found?.what !== what) throw new Error(`the last request is ${found?.what}, not ${what}`);
    return found;
  }
}

export const LOOK: Look = {
  vision: "typical",
  severity: 1,
  ground: "white",
  select: "",
  theme: "",
  notation: "hex",
  need: 4.5,
  parts: ["hues"],
};

/** As much of a system's parts as a test tells apart. */
export const known = (revision: number, ...names: string[]) =>
  ({
    head: { revision, undo: null, redo: null, latest: null, hues: names },
    ...(names.length > 0 && { hues: names.map((name) => ({ id: name, name })) }),
  }) as unknown as Partial<Parts>;

/** A workspace that has its first answer, and its server. */
export async function opened(look: Look = LOOK): Promise<{ server: HeldServer; workspace: Workspace }> {
  const server = new HeldServer();
  const workspace = new Workspace("brinemark", server);
  workspace.lookAt(look);
  await server.last("open").answer(known(1, "tidewater"));
  return { server, workspace };
}

/** The names of the hues that are to be seen. */
export const names = (workspace: Workspace) =>
  workspace.store.getState().parts?.hues?.map((hue) => hue.name) ?? [];
