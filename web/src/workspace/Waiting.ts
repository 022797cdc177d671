/** The changes that are on their way and not answered yet. They are kept in this window too, so that a reload in the
 * middle sends them again: their keys make a repetition harmless. */
import type { Edit } from "../api/client";
import { draftKey, draftOf, keepDraft } from "../util/drafts";

export interface Waiting {
  key: string;
  /** The revision that they were made on. */
  base: number;
  /** Null while what to change is still made of what others have changed before. */
  edits: Edit[] | null;
  kind: "edit" | "undo" | "redo";
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
    const waiting = { key: newKey(), base, edits, kind };
    this.list.push(waiting);
    this.store();
    return waiting;
  }

  /** What it changes is known by now. */
  made(waiting: Waiting, edits: Edit[]): void {
    waiting.edits = edits;
    this.store();
  }

  end(waiting: Waiting): void {
    this.list = this.list.filter((each) => each !== waiting);
    this.store();
  }

  /** All that is to be changed, as far as that is known. */
  edits(): Edit[] {
    return this.list.flatMap((each) => each.edits ?? []);
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
