/** The changes that are on their way and not answered yet. They are kept in this window too, so that a reload in the
 * middle sends them again: their keys make a repetition harmless. */
import type { Edit } from "../api/client";
import { draftKey, draftOf, keepDraft } from "../util/drafts";

export interface Waiting {
  key: string;
  /** The revision that they were made on. */
  base: number;
  /** Null while nothing is known of what it changes. */
  edits: Edit[] | null;
  /** Whether that is what is sent, and not only foreseen: what starts from what is there is made when its turn comes. */
  sure: boolean;
  kind: "edit" | "undo" | "redo" | "pass";
}

/** A key that makes a repeated request harmless; `randomUUID` would need a secure address. */
const newKey = () =>
  Array.from(crypto.getRandomValues(new Uint32Array(4)), (part) => part.toString(36)).join("-");

export class WaitingChanges {
  private list: Waiting[] = [];

  constructor(
    private readonly slug: string,
    private readonly onLength: (length: number) => void,
  ) {}

  get length(): number {
    return this.list.length;
  }

  /** What was on its way when this window was last left. It waits again. */
  takeUp(): Waiting[] {
    const left = draftOf<Waiting[]>(this.stored) ?? [];
    this.list = [...left, ...this.list];
    this.onLength(this.list.length);
    return left;
  }

  begin(kind: Waiting["kind"], base: number, edits: Edit[] | null): Waiting {
    const waiting = { key: newKey(), base, edits, sure: edits !== null, kind };
    this.list.push(waiting);
    this.store();
    return waiting;
  }

  /** What it changes is known by now. */
  made(waiting: Waiting, edits: Edit[]): void {
    waiting.edits = edits;
    waiting.sure = true;
    this.store();
  }

  /** What it will change, as far as that can be told before its turn: a reload until then sends that. */
  foreseen(waiting: Waiting, edits: Edit[]): void {
    if (waiting.sure || !this.list.includes(waiting)) return;
    waiting.edits = edits;
    this.store();
  }

  end(waiting: Waiting): void {
    this.list = this.list.filter((each) => each !== waiting);
    this.store();
  }

  /** All that is to be changed, as far as that is known; or what is to be changed before one of them. */
  edits(before?: Waiting): Edit[] {
    const list = before ? this.list.slice(0, this.list.indexOf(before)) : this.list;
    return list.flatMap((each) => each.edits ?? []);
  }

  private get stored(): string {
    return draftKey("waiting", this.slug);
  }

  private store(): void {
    this.onLength(this.list.length);
    const known = this.list.filter((each) => each.kind !== "edit" || each.edits);
    keepDraft(this.stored, known.length > 0 ? JSON.stringify(known) : "");
  }
}
