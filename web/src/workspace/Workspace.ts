/**
 * The system that is open: what the server says of it, and the changes on their way there. No React: what is known
 * lies in a store, which hooks read. What is fresh, what stands in line, what is away and what others do have files of
 * their own; here they meet.
 */
import { replaceEqualDeep } from "@tanstack/react-query";
import { createStore } from "zustand/vanilla";
import {
  type Edit,
  type Looking,
  type PartName,
  type Problem,
  problemOf,
  type SlipView,
} from "../api/client";
import { Away } from "./Away";
import { bothChanges, removedByOthers, toPassOver } from "./choices";
import { differing } from "./differing";
import { Following } from "./Following";
import { type Answer, type Known, type Look, type Making, NO_KEYS, type Notice } from "./known";
import { AGAIN_MS, Line, pause } from "./Line";
import { Moving } from "./Moving";
import { PartsCache } from "./PartsCache";
import { SingleFlight } from "./SingleFlight";
import type { Server } from "./server";
import { type Waiting, WaitingChanges } from "./Waiting";

/** An answer to a change that takes longer is slow: what waits is shown meanwhile as it will be. */
const SLOW_MS = 200;
/** How long something that was only said stays to be read. */
const SAID_MS = 7000;
/** They take long, and nobody reads them during a drag. */
const NOT_WHILE_DRAGGING: readonly PartName[] = ["repairs"];

export class Workspace {
  readonly store = createStore<Known>(() => ({
    parts: null,
    missing: null,
    notice: null,
    said: null,
    away: false,
    moving: false,
    sending: false,
    waiting: NO_KEYS,
  }));
  readonly moving = new Moving(this);

  private readonly parts = new PartsCache();
  private previewed: Answer | null = null;
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
  private readonly away = new Away((reason, is, away) => this.seemsAway(reason === "unsaved", is, away));
  private readonly line = new Line(
    (waits) => this.away.set("unsaved", waits),
    () => this.ended,
  );
  private readonly following: Following;
  private ended = false;
  private saying: ReturnType<typeof setTimeout> | null = null;
  private readonly flight: SingleFlight<Edit[]>;
  private readonly waiting: WaitingChanges;
  private takenUp = false;

  constructor(
    readonly slug: string,
    private readonly server: Server,
  ) {
    this.flight = new SingleFlight((edits) => this.ask(edits));
    this.following = new Following(
      () => server.head(slug),
      (newest) => newest > this.parts.revision && this.refresh(),
      (is) => this.away.set("polling", is),
    );
    this.waiting = new WaitingChanges(slug, (length) => {
      if (this.store.getState().sending !== length > 0) this.store.setState({ sending: length > 0 });
    });
  }

  /** Begin to notice what others do. */
  start(): void {
    this.ended = false;
    this.following.start();
  }

  /** End: nothing that is still answered changes anything. */
  stop(): void {
    void this.moving.end();
    this.ended = true;
    this.following.stop();
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

  private quiet = (): void => this.tell(null);

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
    const waiting = this.waiting.begin("edit", this.parts.revision, Array.isArray(edits) ? edits : null);
    setTimeout(() => this.showWaiting(), SLOW_MS);
    if (typeof edits === "function") this.foresee(edits, waiting);
    return this.line.join(() => this.keepNow(edits, waiting, last)).finally(() => this.waiting.end(waiting));
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
      const latest = this.parts.kept?.head?.latest ?? null;
      void this.server
        .preview(this.slug, this.parts.revision, ahead, view, latest)
        .then((answer) => make({ ...this.parts.kept, ...answer }))
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
    const waiting = this.waiting.begin(kind, this.parts.revision, null);
    try {
      await this.line.join(() => this.takeBackNow(kind, waiting, last));
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
      const waiting = this.waiting.begin("pass", this.parts.revision, null);
      try {
        await this.line.join(() => this.takeBackNow(kind, waiting, this.offered, true));
      } catch (thrown) {
        this.fail(thrown);
        return;
      } finally {
        this.waiting.end(waiting);
      }
      await this.takeBack(kind);
    };
    this.tell(toPassOver(kind, words, this.quiet, () => void pass()));
  }

  private async takeBackNow(
    kind: "undo" | "redo",
    waiting: Waiting,
    last: number,
    pass = false,
  ): Promise<void> {
    const look = this.looking();
    const send = () => this.server.takeBack(this.slug, kind, this.asked(look), waiting.key, pass);
    this.settle(await this.line.insist(send), look, last);
  }

  /** Send again what was on its way when the window was left. */
  private takeUp(): void {
    this.takenUp = true;
    for (const left of this.waiting.takeUp()) {
      const again = async () => {
        if (left.kind === "edit") await this.keepNow(left.edits ?? [], left, this.offered, left.base);
        else if (left.kind !== "pass") await this.takeBackNow(left.kind, left, this.offered);
      };
      this.line
        .join(again)
        .catch((thrown) => this.fail(thrown))
        .finally(() => this.waiting.end(left));
    }
  }

  /** Ask anew for what is wanted: something has changed that is no edit, such as a release or who acts here. */
  refresh = (): void => {
    this.parts.outdate();
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

  private async keepNow(
    wanted: Edit[] | Making,
    waiting: Waiting,
    last: number,
    base?: number,
  ): Promise<Answer | null> {
    const look = this.looking();
    const edits = typeof wanted === "function" ? await wanted(this.parts.kept ?? {}) : wanted;
    if (edits.length === 0) {
      this.endPreviewOf(last);
      return null;
    }
    this.waiting.made(waiting, edits);
    const send = (on: number) => () => this.server.keep(this.slug, on, edits, this.asked(look), waiting.key);
    try {
      // What was typed or chosen is on what was seen then, whatever the answers to earlier changes have brought since.
      const seen = typeof wanted === "function" ? this.parts.revision : waiting.base;
      const answer = await this.line.insist(send(base ?? seen));
      this.settle(answer, look, last);
      return answer;
    } catch (thrown) {
      const problem = problemOf(thrown);
      this.endPreviewOf(last);
      if (!problem.conflict) throw problem;
      this.meet(problem.conflict, problem.message, (base) => this.line.insist(send(base)), look, last);
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
    this.tell(bothChanges(conflict, words, this.quiet, () => void mine()));
    this.refresh();
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
    this.parts.take(answer, look, this.look?.parts ?? []);
    if (last === this.offered) this.previewed = null;
    this.show();
    void this.load();
  }

  /** Ask for what is wanted and not fresh, until nothing is left to ask for. */
  private async load(): Promise<void> {
    if (this.loading) return;
    this.loading = true;
    try {
      while (!this.ended) {
        const look = this.looking();
        const parts = this.parts.stale(look);
        if (parts.length === 0) break;
        const asked = this.refreshed;
        const answer = await this.server.open(this.slug, this.asked(look, parts));
        if (this.ended) break;
        this.away.set("loading", false);
        const before = this.parts.kept;
        this.parts.take(answer, look, this.look?.parts ?? []);
        void this.tellRemoved(before, answer);
        if (asked !== this.refreshed) this.parts.outdate();
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
    this.tell(removedByOthers(last, this.quiet, () => void this.bringBack(last.revision)));
  }

  private async bringBack(revision: number): Promise<void> {
    this.tell(null);
    const last = this.offered;
    const look = this.looking();
    const waiting = this.waiting.begin("edit", this.parts.revision, null);
    const send = () => this.server.bringBack(this.slug, revision, this.asked(look), waiting.key);
    try {
      await this.line.join(async () => this.settle(await this.line.insist(send), look, last));
    } catch (thrown) {
      this.fail(thrown);
    } finally {
      this.waiting.end(waiting);
    }
  }

  private async afterFailing(problem: Problem): Promise<void> {
    if (this.ended) return;
    if (!problem.passing) {
      if (this.parts.kept) this.tell({ words: problem.message, actions: [] });
      else this.store.setState({ missing: problem });
      return;
    }
    this.away.set("loading", true);
    await pause(AGAIN_MS);
    if (!this.ended) setTimeout(() => void this.load());
  }

  private async ask(edits: Edit[]): Promise<void> {
    const mine = this.gesture;
    const look = this.looking();
    const parts = look.parts.filter((name) => !NOT_WHILE_DRAGGING.includes(name));
    const latest = this.parts.kept?.head?.latest ?? null;
    try {
      const view = this.asked(look, parts);
      // What is on its way stands below what is tried on top of it.
      const all = [...this.waiting.edits(), ...edits];
      if (all.length === 0) {
        this.previewed = null;
        this.show();
        return;
      }
      const answer = await this.server.preview(this.slug, this.parts.revision, all, view, latest);
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
    const { previewed } = this;
    const { kept } = this.parts;
    if (!kept) return;
    const next: Answer = { ...kept };
    if (previewed) {
      Object.assign(next, previewed);
      if (previewed.head && kept.head) {
        next.head = { ...previewed.head, undo: kept.head.undo, redo: kept.head.redo };
      }
      for (const name of NOT_WHILE_DRAGGING) delete next[name];
    }
    const { parts } = this.store.getState();
    const waiting = this.away.unsaved && previewed ? differing(kept, previewed) : NO_KEYS;
    this.store.setState({ parts: replaceEqualDeep(parts, next), missing: null, waiting });
  }

  /** Whether the database is away has changed; `unsaved` tells whether it is a change that waits for it, or no more. */
  private seemsAway(unsaved: boolean, is: boolean, away: boolean): void {
    if (unsaved) {
      if (is) this.showWaiting();
      this.show();
    }
    if (this.store.getState().away !== away) this.store.setState({ away });
  }
}
