/**
 * The system that is open: what the server says of it, and the changes on their way there. No React: what is known
 * lies in a store, which hooks read.
 *
 * Parts of the system are asked for by name. A part is fresh while the revision and what it depends on of the look are
 * as they were when it was answered; only parts that are wanted and not fresh are asked for, one request at a time.
 */
import { replaceEqualDeep } from "@tanstack/react-query";
import { createStore } from "zustand/vanilla";
import {
  type Edit,
  type Looking,
  type PartName,
  type Parts,
  type Problem,
  problemOf,
  type SlipView,
} from "../api/client";
import { PART_DEPENDS_ON } from "../api/constants.generated";
import { Moving } from "./Moving";
import { SingleFlight } from "./SingleFlight";
import type { Server } from "./server";
import { type Waiting, WaitingChanges } from "./Waiting";

const AGAIN_MS = 1500;
const OTHERS_MS = 4000;
/** An answer to a change that takes longer is slow: what waits is shown meanwhile as it will be. */
const SLOW_MS = 200;
/** How long something that was only said stays to be read. */
const SAID_MS = 7000;
/** They take long, and nobody reads them during a drag. */
const NOT_WHILE_DRAGGING: readonly PartName[] = ["repairs"];

/** A message over the sheet: something went wrong, and what can be done. */
export interface Notice {
  words: string;
  actions: { words: string; act: () => void }[];
}

/** What is known of the system; it changes with every answer, and who shows a part of it asks for that part. */
export interface Known {
  /** The parts that have been answered; null before the first answer. */
  parts: Partial<Parts> | null;
  missing: Problem | null;
  notice: Notice | null;
  /** What a key or a hand has come to, where that is not to be seen: why nothing moves, what was copied. */
  said: string | null;
  away: boolean;
  /** Whether a gesture lasts, or rests to be kept. */
  moving: boolean;
  /** Whether changes are on their way. */
  sending: boolean;
  /** The keys of what is shown as it will be once the database is back. */
  waiting: ReadonlySet<string>;
}

/** How the system is looked at, and which parts are wanted. */
export type Look = Required<Omit<Looking, "parts">> & { parts: readonly PartName[] };

type Answer = Partial<Parts>;

/** Edits that start from what is there: made when their turn comes, so that a change still on its way is not undone. */
export type Making = (known: Answer) => Edit[] | Promise<Edit[]>;

const pause = (ms: number) => new Promise((done) => setTimeout(done, ms));

const NONE: ReadonlySet<string> = new Set();

/** What a part depends on, besides the document, as it is in a look. */
function wishes(part: PartName, look: Look): string {
  const { vision, severity } = look;
  return PART_DEPENDS_ON[part]
    .map((wish) => (wish === "vision" ? `${vision} ${severity}` : (look[wish] ?? "")))
    .join("|");
}

export class Workspace {
  readonly store = createStore<Known>(() => ({
    parts: null,
    missing: null,
    notice: null,
    said: null,
    away: false,
    moving: false,
    sending: false,
    waiting: NONE,
  }));
  readonly moving = new Moving(this);

  private kept: Answer | null = null;
  private previewed: Answer | null = null;
  /** For every part that is kept, the revision and the wishes that it was answered for. */
  private fresh = new Map<PartName, string>();
  /** How often all has been asked for anew: answers to earlier questions do not count as fresh. */
  private refreshed = 0;
  private look: Look | null = null;
  private loading = false;
  /** How many previews have been asked for: whoever began a gesture since goes on seeing that, not what was kept. */
  private offered = 0;
  /** What the gesture that lasts would do. */
  private trying: Edit[] = [];
  /** A gesture that has ended outdates the previews that are still on their way. */
  private gesture = 0;
  /** What is kept goes to the server one after another, in the order in which it was done. */
  private last: Promise<unknown> = Promise.resolve();
  /** Why the database seems away: a change that waits, a question without an answer, the head that is not told. */
  private away = { unsaved: false, loading: false, polling: false };
  private ended = false;
  private polling: ReturnType<typeof setTimeout> | null = null;
  private saying: ReturnType<typeof setTimeout> | null = null;
  private readonly flight: SingleFlight<Edit[]>;
  private readonly waiting: WaitingChanges;
  private takenUp = false;

  constructor(
    readonly slug: string,
    private readonly server: Server,
  ) {
    this.flight = new SingleFlight((edits) => this.ask(edits));
    this.waiting = new WaitingChanges(slug, (length) => {
      if (this.store.getState().sending !== length > 0) this.store.setState({ sending: length > 0 });
    });
  }

  /** Begin to notice what others do. */
  start(): void {
    this.ended = false;
    this.poll();
  }

  /** End: nothing that is still answered changes anything. */
  stop(): void {
    void this.moving.end();
    this.ended = true;
    if (this.polling) clearTimeout(this.polling);
    if (this.saying) clearTimeout(this.saying);
  }

  /** The window is left: a gesture is kept as far as it came. Returns whether what is kept waits for the server. */
  leave(): boolean {
    void this.moving.end();
    return this.away.unsaved;
  }

  /** Look at the system in another way, or at other parts of it. */
  lookAt(look: Look): void {
    this.look = look;
    if (!this.takenUp) this.takeUp();
    void this.load();
  }

  /** The notice of what was refused last. */
  private refusal: Notice | null = null;

  tell = (notice: Notice | null): void => {
    this.store.setState({ notice });
  };

  /** Say for a moment what something has come to; null says no more. */
  say = (said: string | null): void => {
    if (this.saying) clearTimeout(this.saying);
    if (this.store.getState().said !== said) this.store.setState({ said });
    if (said) this.saying = setTimeout(() => this.store.setState({ said: null }), SAID_MS);
  };

  /** All about a color: as it is known, or asked for, where the selection is ahead of what has been answered. */
  slipOf = async (select: string): Promise<SlipView | null> => {
    const known = this.store.getState().parts?.slip;
    if (known?.key === select) return known;
    const answer = await this.server.open(this.slug, this.asked({ ...this.looking(), select }, ["slip"]));
    return answer.slip ?? null;
  };

  /** Show what edits would do, while a gesture lasts. */
  preview = (edits: Edit[]): void => {
    this.offered += 1;
    this.trying = edits;
    this.flight.offer(edits);
  };

  endPreview = (): void => {
    this.trying = [];
    this.flight.drop();
    this.gesture += 1;
    this.previewed = null;
    this.show();
  };

  /** Keep edits as one revision. Resolves when they are kept; rejects with a Problem that belongs to a field. */
  keep = (edits: Edit[] | Making): Promise<Answer | null> => {
    void this.moving.end();
    this.trying = [];
    this.flight.drop();
    this.gesture += 1;
    const last = this.offered;
    const waiting = this.waiting.begin("edit", this.revision(), Array.isArray(edits) ? edits : null);
    setTimeout(() => this.showWaiting(), SLOW_MS);
    if (typeof edits === "function") this.foresee(edits, waiting);
    return this.inLine(() => this.keepNow(edits, waiting, last)).finally(() => this.waiting.end(waiting));
  };

  /** Make what waits behind others of what is shown, and where that takes long of what will be there by then, so that a
   * reload in between loses nothing of it. */
  private foresee(making: Making, waiting: Waiting): void {
    if (this.waiting.length < 2) return;
    const make = async (parts: Answer) => this.waiting.foreseen(waiting, await making(parts));
    // What cannot be made yet is made when its turn comes, and told then where it cannot be.
    const later = () => undefined;
    void make(this.store.getState().parts ?? {}).catch(later);
    setTimeout(() => {
      const ahead = this.waiting.edits(waiting);
      if (waiting.sure || this.ended || ahead.length === 0) return;
      const view = this.asked(this.looking());
      const latest = this.kept?.head?.latest ?? null;
      void this.server
        .preview(this.slug, this.revision(), ahead, view, latest)
        .then((answer) => make({ ...this.kept, ...answer }))
        .catch(later);
    }, SLOW_MS);
  }

  /** Keep edits as one revision, and tell over the sheet what went wrong: for what has no field to tell it at. */
  put = (...edits: Edit[]): Promise<boolean> => this.putFrom(edits);

  /** Whether it was kept; why not is told. */
  putFrom = async (edits: Edit[] | Making): Promise<boolean> => {
    try {
      await this.keep(edits);
      // What was refused before is mended by now, or left.
      if (this.refusal && this.store.getState().notice === this.refusal) this.tell(null);
      return true;
    } catch (thrown) {
      this.fail(thrown);
      return false;
    }
  };

  takeBack = async (kind: "undo" | "redo"): Promise<void> => {
    void this.moving.end();
    const last = this.offered;
    const waiting = this.waiting.begin(kind, this.revision(), null);
    try {
      await this.inLine(() => this.takeBackNow(kind, waiting, last));
    } catch (thrown) {
      if (problemOf(thrown).conflict) this.offerToPass(kind, problemOf(thrown).message);
      else this.fail(thrown);
      this.refresh();
    } finally {
      this.waiting.end(waiting);
    }
  };

  /** What cannot be taken back stands in the way of all that was done before: it can be passed over. */
  private offerToPass(kind: "undo" | "redo", words: string): void {
    const pass = async () => {
      this.tell(null);
      const waiting = this.waiting.begin("pass", this.revision(), null);
      try {
        await this.inLine(() => this.takeBackNow(kind, waiting, this.offered, true));
      } catch (thrown) {
        this.fail(thrown);
        return;
      } finally {
        this.waiting.end(waiting);
      }
      await this.takeBack(kind);
    };
    this.tell({
      words,
      actions: [
        { words: `Leave it, and ${kind} what was before`, act: () => void pass() },
        { words: "Close", act: () => this.tell(null) },
      ],
    });
  }

  private async takeBackNow(
    kind: "undo" | "redo",
    waiting: Waiting,
    last: number,
    pass = false,
  ): Promise<void> {
    const look = this.looking();
    const send = () => this.server.takeBack(this.slug, kind, this.asked(look), waiting.key, pass);
    this.settle(await this.insist(send), look, last);
  }

  /** Send again what was on its way when the window was left. */
  private takeUp(): void {
    this.takenUp = true;
    for (const left of this.waiting.takeUp()) {
      const again = async () => {
        if (left.kind === "edit") await this.keepNow(left.edits ?? [], left, this.offered, left.base);
        else if (left.kind !== "pass") await this.takeBackNow(left.kind, left, this.offered);
      };
      this.inLine(again)
        .catch((thrown) => this.fail(thrown))
        .finally(() => this.waiting.end(left));
    }
  }

  /** Ask anew for what is wanted: something has changed that is no edit, such as a release or who acts here. */
  refresh = (): void => {
    this.fresh.clear();
    this.refreshed += 1;
    void this.load();
  };

  private fail(thrown: unknown): void {
    this.refusal = { words: problemOf(thrown).message, actions: [] };
    this.tell(this.refusal);
  }

  private looking(): Look {
    if (!this.look) throw new Error("a workspace is looked at before anything is done in it");
    return this.look;
  }

  /** A look as the server takes it; the head tells the revision, so it is always asked for. */
  private asked(look: Look, parts: readonly PartName[] = look.parts): Looking {
    return { ...look, parts: ["head", ...parts.filter((part) => part !== "head")] };
  }

  private inLine<T>(work: () => Promise<T>): Promise<T> {
    const mine = this.last.then(work);
    this.last = mine.catch(() => undefined);
    return mine;
  }

  /** Send until the server has answered: the same key makes a repetition harmless. */
  private async insist<T>(send: () => Promise<T>): Promise<T> {
    for (;;) {
      try {
        const answer = await send();
        this.setAway("unsaved", false);
        return answer;
      } catch (thrown) {
        if (!problemOf(thrown).passing || this.ended) {
          this.setAway("unsaved", false);
          throw thrown;
        }
        this.setAway("unsaved", true);
        await pause(AGAIN_MS);
      }
    }
  }

  private async keepNow(
    wanted: Edit[] | Making,
    waiting: Waiting,
    last: number,
    base?: number,
  ): Promise<Answer | null> {
    const look = this.looking();
    const edits = typeof wanted === "function" ? await wanted(this.kept ?? {}) : wanted;
    if (edits.length === 0) {
      this.endPreviewOf(last);
      return null;
    }
    this.waiting.made(waiting, edits);
    const send = (on: number) => () => this.server.keep(this.slug, on, edits, this.asked(look), waiting.key);
    try {
      // What was typed or chosen is on what was seen then, whatever the answers to earlier changes have brought since.
      const seen = typeof wanted === "function" ? this.revision() : waiting.base;
      const answer = await this.insist(send(base ?? seen));
      this.settle(answer, look, last);
      return answer;
    } catch (thrown) {
      const problem = problemOf(thrown);
      this.endPreviewOf(last);
      if (!problem.conflict) throw problem;
      this.meet(problem.conflict, problem.message, (base) => this.insist(send(base)), look, last);
      return null;
    }
  }

  /** Somebody was faster: both changes are told, and either can be chosen. */
  private meet(
    conflict: NonNullable<Problem["conflict"]>,
    words: string,
    again: (base: number) => Promise<Answer>,
    look: Look,
    last: number,
  ): void {
    const onto = async (base: number) => {
      try {
        this.settle(await again(base), look, last);
      } catch (thrown) {
        const problem = problemOf(thrown);
        if (!problem.conflict) this.fail(thrown);
        // Who has only taken back what is replaced here is in nobody's way; anything else is asked about again.
        else if (problem.conflict.theirs === `Undo: ${conflict.theirs}` && problem.conflict.head > base)
          await onto(problem.conflict.head);
        else this.meet(problem.conflict, problem.message, again, look, last);
      }
    };
    const mine = () => {
      this.tell(null);
      return onto(conflict.head);
    };
    this.tell({
      words,
      actions: [
        { words: `Keep ${conflict.person}’s`, act: () => this.tell(null) },
        { words: "Apply mine on top", act: () => void mine() },
      ],
    });
    this.refresh();
  }

  private revision(): number {
    return this.kept?.head?.revision ?? 1;
  }

  private endPreviewOf(last: number): void {
    if (last !== this.offered) return;
    this.previewed = null;
    this.show();
  }

  /** While what is kept waits longer than usual, the sheet shows it as it will be. */
  private showWaiting(): void {
    if (this.waiting.length > 0 && !this.ended) this.flight.offer(this.trying);
  }

  /** Take over the answer to a change; other looks at the system are outdated by it. */
  private settle(answer: Answer, look: Look, last: number): void {
    if (this.ended) return;
    this.take(answer, look);
    if (last === this.offered) this.previewed = null;
    this.show();
    void this.load();
  }

  /** Keep the parts of an answer. Those of another revision are kept only while they are wanted and being asked for. */
  private take(answer: Answer, look: Look): void {
    const revision = answer.head?.revision ?? this.revision();
    const old = this.kept ?? {};
    if (revision < this.revision()) return;
    const others = revision !== this.revision() ? new Set<string>(this.look?.parts ?? []) : null;
    const carried = others
      ? Object.fromEntries(Object.entries(old).filter(([name]) => others.has(name)))
      : old;
    this.kept = { ...carried, ...answer };
    for (const name of Object.keys(answer) as PartName[]) {
      this.fresh.set(name, `${revision} ${wishes(name, look)}`);
    }
  }

  private stale(): PartName[] {
    const look = this.looking();
    const revision = this.revision();
    return look.parts.filter(
      (name) =>
        !(this.kept && name in this.kept) || this.fresh.get(name) !== `${revision} ${wishes(name, look)}`,
    );
  }

  /** Ask for what is wanted and not fresh, until nothing is left to ask for. */
  private async load(): Promise<void> {
    if (this.loading) return;
    this.loading = true;
    try {
      while (!this.ended) {
        const parts = this.stale();
        if (parts.length === 0) break;
        const look = this.looking();
        const asked = this.refreshed;
        const answer = await this.server.open(this.slug, this.asked(look, parts));
        if (this.ended) break;
        this.setAway("loading", false);
        const before = this.kept;
        this.take(answer, look);
        void this.tellRemoved(before, answer);
        if (asked !== this.refreshed) this.fresh.clear();
        this.show();
      }
    } catch (thrown) {
      await this.afterFailing(problemOf(thrown));
    } finally {
      this.loading = false;
    }
  }

  /** Somebody else's removal is told, with the way back. */
  private async tellRemoved(before: Answer | null, now: Answer): Promise<void> {
    const left = now.head && new Set(now.head.hues);
    if (!left || !before?.head || before.head.hues.every((hue) => left.has(hue))) return;
    const removals = await this.server.removals(this.slug, before.head.revision).catch(() => []);
    const last = removals.at(-1);
    if (!last || this.ended) return;
    this.tell({
      words: `${last.person} has removed ${last.hues}.`,
      actions: [
        { words: "Bring it back", act: () => void this.bringBack(last.revision) },
        { words: "Close", act: () => this.tell(null) },
      ],
    });
  }

  private async bringBack(revision: number): Promise<void> {
    this.tell(null);
    const last = this.offered;
    const look = this.looking();
    const waiting = this.waiting.begin("edit", this.revision(), null);
    const send = () => this.server.bringBack(this.slug, revision, this.asked(look), waiting.key);
    try {
      await this.inLine(async () => this.settle(await this.insist(send), look, last));
    } catch (thrown) {
      this.fail(thrown);
    } finally {
      this.waiting.end(waiting);
    }
  }

  private async afterFailing(problem: Problem): Promise<void> {
    if (this.ended) return;
    if (!problem.passing) {
      if (this.kept) this.tell({ words: problem.message, actions: [] });
      else this.store.setState({ missing: problem });
      return;
    }
    this.setAway("loading", true);
    await pause(AGAIN_MS);
    if (!this.ended) setTimeout(() => void this.load());
  }

  private async ask(edits: Edit[]): Promise<void> {
    const mine = this.gesture;
    const look = this.looking();
    const parts = look.parts.filter((name) => !NOT_WHILE_DRAGGING.includes(name));
    const latest = this.kept?.head?.latest ?? null;
    try {
      const view = this.asked(look, parts);
      // What is on its way stands below what is tried on top of it.
      const all = [...this.waiting.edits(), ...edits];
      if (all.length === 0) {
        this.previewed = null;
        this.show();
        return;
      }
      const answer = await this.server.preview(this.slug, this.revision(), all, view, latest);
      if (mine !== this.gesture || this.ended) return;
      // What waited alone has been answered meanwhile.
      if (edits.length === 0 && this.waiting.length === 0) return;
      this.previewed = answer;
      this.show();
    } catch (thrown) {
      if (!problemOf(thrown).passing && !this.ended) this.fail(thrown);
    }
  }

  /** Let the store hold what is to be seen. What is as it was stays the same object, so that only what has changed is
   * drawn again. */
  private show(): void {
    if (!this.kept) return;
    const { kept, previewed } = this;
    const next: Answer = { ...kept };
    if (previewed) {
      Object.assign(next, previewed);
      if (previewed.head && kept.head) {
        next.head = { ...previewed.head, undo: kept.head.undo, redo: kept.head.redo };
      }
      for (const name of NOT_WHILE_DRAGGING) delete next[name];
    }
    const { parts } = this.store.getState();
    const waiting = this.away.unsaved && previewed ? differing(kept, previewed) : NONE;
    this.store.setState({ parts: replaceEqualDeep(parts, next), missing: null, waiting });
  }

  private setAway(why: keyof Workspace["away"], is: boolean): void {
    const changed = this.away[why] !== is;
    this.away[why] = is;
    if (why === "unsaved" && changed) {
      if (is) this.showWaiting();
      this.show();
    }
    const { unsaved, loading, polling } = this.away;
    const away = unsaved || loading || polling;
    if (this.store.getState().away !== away) this.store.setState({ away });
  }

  private poll(): void {
    this.polling = setTimeout(async () => {
      try {
        const newest = await this.server.head(this.slug);
        this.setAway("polling", false);
        if (newest > this.revision()) this.refresh();
      } catch (thrown) {
        this.setAway("polling", problemOf(thrown).passing);
      }
      if (!this.ended) this.poll();
    }, OTHERS_MS);
  }
}

/** The keys of hues and steps whose color is another in what is previewed. */
function differing(kept: Answer, previewed: Answer): ReadonlySet<string> {
  const colors = (answer: Answer) => [
    ...(answer.hues ?? []),
    ...(answer.scales ?? []).flatMap((scale) => scale.steps),
  ];
  const before = new Map(colors(kept).map((color) => [color.key, color.hex]));
  const keys = colors(previewed).filter((color) => before.get(color.key) !== color.hex);
  return keys.length > 0 ? new Set(keys.map((color) => color.key)) : NONE;
}
