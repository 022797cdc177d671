/**
 * Moving the selected hue, or nudging the selected step or all that are chosen: one gesture, previewed while it lasts,
 * kept when it ends. A drag ends when it is let go; keys when they have rested for a moment, so that a run of quick
 * taps is one change. What is moved is what is selected when the gesture begins, though it may not be told yet where
 * that stands.
 */
import type { Edit, SlipView } from "../api/client";
import { STRONGEST_CHROMA } from "../api/constants.generated";
import { edit } from "../api/edits";
import { stepRef } from "../api/keys";
import { RUN_MS } from "../util/run";
import { useChosen } from "./chosen";
import { look, useLook } from "./look";
import type { Workspace } from "./Workspace";

export interface Aim {
  lightness: number;
  chroma: number;
  angle: number;
}
export type Change = (from: Aim) => Partial<Aim>;

/** A target is known once it is told where the selected color stands. */
interface Target {
  hue: string;
  step: string | null;
  from: Aim;
  at: Aim;
}

interface Gesture {
  select: string | null;
  /** The steps that are nudged by as much, where several are chosen. */
  together: readonly string[];
  target: Target | null;
  /** Moves that came before the target was known. */
  early: Change[];
  known: Promise<void>;
  /** Why nothing can be moved: said again at every press, for each press takes away what was said before. */
  refused: string | null;
}

/** Something else that is done tap by tap: what it has come to, and the edits of all taps together. */
interface Tapped {
  of: string;
  come: unknown;
  edits: Edit[];
}

const allowed = (aim: Aim): Aim => ({
  lightness: Math.min(Math.max(aim.lightness, 0), 100),
  chroma: Math.min(Math.max(aim.chroma, 0), STRONGEST_CHROMA),
  angle: ((aim.angle % 360) + 360) % 360,
});

const ENDS = {
  lightness: { low: "Lightness ends at 0, black.", high: "Lightness ends at 100, white." },
  chroma: { low: "Chroma ends at 0, gray.", high: `Chroma ends at ${STRONGEST_CHROMA}.` },
};

/** Why a change moves nothing, where it runs against an end. */
function endMet(wanted: Aim, got: Aim): string | null {
  for (const quantity of ["lightness", "chroma"] as const) {
    if (wanted[quantity] < got[quantity]) return ENDS[quantity].low;
    if (wanted[quantity] > got[quantity]) return ENDS[quantity].high;
  }
  return null;
}

function editsOf({ target, together }: Gesture): Edit[] {
  if (!target) return [];
  const { hue, step, from, at } = target;
  if (from.lightness === at.lightness && from.chroma === at.chroma && from.angle === at.angle) return [];
  if (together.length > 1) {
    return [
      edit("nudge_steps", {
        steps: together.map(stepRef),
        lightness: at.lightness - from.lightness,
        chroma: at.chroma - from.chroma,
        turn: at.angle - from.angle,
      }),
    ];
  }
  return [step === null ? edit("aim_source", { hue, ...at }) : edit("aim_step", { hue, step, ...at })];
}

export class Moving {
  private gesture: Gesture | null = null;
  /** The last gesture that is not answered: a key pressed again goes on from there, not from what is still shown. */
  private unanswered: Gesture | null = null;
  private tapped: Tapped | null = null;
  private resting: ReturnType<typeof setTimeout> | null = null;
  private rested: (() => void)[] = [];

  constructor(private readonly workspace: Workspace) {}

  /** Move on, by mouse or by a key. */
  move = (change: Change): void => {
    this.stopResting();
    if (this.tapped) void this.end();
    // Where nobody has chosen, what the slip tells of is moved, and is selected by that.
    const told = this.workspace.store.getState().parts?.slip?.key;
    if (useLook.getState().select === null && told) look({ select: told });
    const { select } = useLook.getState();
    const together = useChosen.getState().keys;
    if (this.gesture && (this.gesture.select !== select || this.gesture.together !== together))
      void this.end();
    this.gesture ??= this.begin(select, together);
    if (this.gesture.target) this.go(this.gesture, change);
    else if (this.gesture.refused) this.workspace.say(this.gesture.refused);
    else this.gesture.early.push(change);
    this.tellMoving();
  };

  /** Do something else tap by tap: `next` makes of what it has come to what it comes to now, and all edits of it. */
  tap = <Come>(of: string, next: (before: Come | null) => { come: Come; edits: Edit[] } | null): void => {
    if (this.gesture || (this.tapped && this.tapped.of !== of)) void this.end();
    this.stopResting();
    const before = this.tapped;
    const made = next(before ? (before.come as Come) : null);
    if (made) this.tapped = { of, ...made };
    if (this.tapped) this.workspace.preview(this.tapped.edits);
    this.tellMoving();
  };

  /** A key was let go: the gesture ends unless another press follows. Resolves when it is kept. */
  rest = (): Promise<void> => {
    if (!this.gesture && !this.tapped) return Promise.resolve();
    this.stopResting();
    return new Promise((done) => {
      this.rested.push(done);
      this.resting = setTimeout(() => void this.end(), RUN_MS);
    });
  };

  /** End the gesture and keep it. Resolves when it is kept. */
  end = async (): Promise<void> => {
    const { gesture, tapped } = this;
    this.stopResting();
    this.gesture = null;
    this.tapped = null;
    this.tellMoving();
    if (gesture) await this.keep(gesture);
    else if (tapped) await this.workspace.putFrom(tapped.edits);
    for (const done of this.rested.splice(0)) done();
  };

  /** Give the gesture up. */
  cancel = (): void => {
    this.stopResting();
    this.gesture = null;
    this.tapped = null;
    this.tellMoving();
    this.workspace.endPreview();
    for (const done of this.rested.splice(0)) done();
  };

  private tellMoving(): void {
    const moving = this.gesture !== null || this.tapped !== null;
    const { store } = this.workspace;
    if (store.getState().moving !== moving) store.setState({ moving });
  }

  private stopResting(): void {
    if (this.resting) clearTimeout(this.resting);
    this.resting = null;
  }

  private begin(select: string | null, together: readonly string[]): Gesture {
    const gesture: Gesture = {
      select,
      together,
      target: null,
      early: [],
      known: Promise.resolve(),
      refused: null,
    };
    const slip = this.workspace.store.getState().parts?.slip ?? null;
    if (!select || slip?.key === select) this.learn(gesture, slip);
    else {
      gesture.known = this.workspace.slipOf(select).then(
        (answer) => this.learn(gesture, answer),
        () => this.refuse(gesture, "The server does not answer, so nothing was moved."),
      );
    }
    return gesture;
  }

  /** Where the selected color stands is told: what came before moves it now. */
  private learn(gesture: Gesture, slip: SlipView | null): void {
    const { workspace } = this;
    if (!slip) {
      this.refuse(gesture, "Select a color first: nothing is selected to be moved.");
      return;
    }
    const several = gesture.together.length > 1;
    if (!several && slip.movable_hue === null) {
      this.refuse(gesture, slip.fixed ?? `${slip.name} cannot be moved.`);
      return;
    }
    if (!several && slip.kind === "step" && slip.movable_step === null) {
      workspace.say(`${slip.name} is the hue’s own color: the hue itself moves, and all that follows it.`);
    }
    const last = this.unanswered;
    const same = last?.target && last.select === gesture.select && last.together === gesture.together;
    const from = same && last.target ? last.target.at : { ...slip.aim };
    gesture.target = { hue: slip.movable_hue ?? "", step: slip.movable_step, from, at: from };
    for (const change of gesture.early) this.go(gesture, change);
  }

  private refuse(gesture: Gesture, words: string): void {
    gesture.refused = words;
    this.workspace.say(words);
  }

  private go(gesture: Gesture, change: Change): void {
    const { target } = gesture;
    if (!target) return;
    const wanted = { ...target.at, ...change(target.at) };
    target.at = allowed(wanted);
    const met = endMet(wanted, target.at);
    if (met) this.workspace.say(met);
    if (gesture === this.gesture) this.workspace.preview(editsOf(gesture));
  }

  private async keep(gesture: Gesture): Promise<void> {
    if (gesture.refused) return;
    if (gesture.target && editsOf(gesture).length === 0) {
      this.workspace.endPreview();
      return;
    }
    this.unanswered = gesture;
    // Its place in the line is taken now, though what it comes to may still have to be told.
    await this.workspace.putFrom(
      gesture.target
        ? editsOf(gesture)
        : async () => {
            await gesture.known;
            return editsOf(gesture);
          },
    );
    if (this.unanswered === gesture) this.unanswered = null;
  }
}
