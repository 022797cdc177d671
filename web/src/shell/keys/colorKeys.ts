/** Keys for what is selected: pinned, put back, copied, kept as the ground. */
import { problemOf } from "../../api/client";
import { edit } from "../../api/edits";
import { hueOf, stepRef } from "../../api/keys";
import { inOrder } from "../../stages/sources/order";
import { copyText } from "../../util/copy";
import { backEdit, useChosen } from "../../workspace/chosen";
import { copyColors } from "../../workspace/copyColors";
import { useInterface } from "../../workspace/interface";
import { look, useLook } from "../../workspace/look";
import type { KeyBinding } from "./binding";
import type { KeyContext } from "./context";

const NOT_COPIED = "The browser does not let anything be copied here. Select the value in the slip instead.";

/** A step that is held is neither pinned nor put back: that is told over the sheet. */
async function pin({ workspace: { say, put }, slip: asked }: KeyContext): Promise<void> {
  const slip = await asked();
  if (slip?.kind !== "step") say("Only a step of a scale can be pinned: select one on the sheet of scales.");
  else if (slip.pinned) say(`${slip.name} is pinned already, at ${slip.hex}. Backspace takes the pin away.`);
  else {
    if (slip.movable_hue && !slip.movable_step)
      say(`${slip.name} is the hue’s own color. Pinned, it stays ${slip.hex} when the hue changes.`);
    void put(edit("pin_step", { ...stepRef(slip.key), color: slip.exact }));
  }
}

async function back({ workspace: { say, put }, slip: asked }: KeyContext): Promise<void> {
  const together = useChosen.getState().keys;
  if (together.length > 1) {
    void put(...together.map((key) => backEdit(key)));
    return;
  }
  const slip = await asked();
  if (slip?.kind !== "step") say("Backspace puts a pinned or nudged step back: select one.");
  else if (!slip.pinned && !slip.nudged)
    say(`${slip.name} is as it is generated: nothing is to be put back.`);
  else void put(backEdit(slip.key));
}

async function copy({ workspace: { say }, slip: asked }: KeyContext): Promise<void> {
  const { notation } = useInterface.getState();
  const { keys } = useChosen.getState();
  if (keys.length > 1) {
    const done = await copyColors(useLook.getState().slug, keys, notation, "values");
    say(done ? `${keys.length} values copied.` : NOT_COPIED);
    return;
  }
  const slip = await asked();
  if (!slip) {
    say("Select a color first: nothing is selected to be copied.");
    return;
  }
  const text = slip.notations.find((each) => each.notation === notation)?.text ?? slip.hex;
  say((await copyText(text)) ? `${text} copied.` : NOT_COPIED);
}

/** What is copied one after another: the chosen colors, else the scale, the palette or the hues that are looked at. */
function oneAfterAnother({ workspace }: KeyContext, selected: string): string[] {
  const { keys } = useChosen.getState();
  if (keys.length > 1) return [...keys];
  const { parts } = workspace.store.getState();
  const palette = parts?.palettes?.find((each) => each.colors.some((color) => color.key === selected));
  if (palette) return palette.colors.map((color) => color.key);
  if (useLook.getState().stage === "sources") return inOrder(parts?.hues ?? []).map((hue) => hue.key);
  const scale = parts?.scales?.find((each) => each.hue === hueOf(selected));
  if (scale) return scale.steps.map((step) => step.key);
  return parts?.tokens?.map((token) => token.key) ?? [];
}

async function copyAndGoOn(context: KeyContext): Promise<void> {
  const { say } = context.workspace;
  const slip = await context.slip();
  if (!slip) {
    say("Select a color first: from there on one is copied after another.");
    return;
  }
  const keys = oneAfterAnother(context, slip.key);
  const at = keys.indexOf(slip.key);
  if (at < 0) {
    // A hue's own row begins with its first step.
    look({ select: keys[0] ?? slip.key });
    if (keys.length > 0) await copyAndGoOn(context);
    return;
  }
  const { notation } = useInterface.getState();
  const text = slip.notations.find((each) => each.notation === notation)?.text ?? slip.hex;
  if (!(await copyText(text))) {
    say(NOT_COPIED);
    return;
  }
  say(`${at + 1} of ${keys.length}, ${slip.name}: ${text} copied.${keys[at + 1] ? "" : " It was the last."}`);
  look({ select: keys[at + 1] ?? keys[0] ?? slip.key });
}

function keepAsGround({ workspace: { say }, slip }: KeyContext): void {
  const { ground, select } = useLook.getState();
  if (ground !== "white") {
    look({ ground: "white" });
    say("Read on white again.");
  } else if (select === null) say("Select a color first: it becomes the ground that others are read on.");
  else {
    look({ ground: select });
    void slip().then((found) =>
      say(`${found?.name} is the ground: what you select is read on it, until g again.`),
    );
  }
}

export const colorKeys = (context: KeyContext): KeyBinding[] => [
  { code: "KeyP", shown: "p", words: "Pin the selected step at its color", act: () => void pin(context) },
  {
    code: "Backspace",
    shown: "Backspace",
    words: "A pinned or nudged step: back to generated",
    act: () => void back(context),
  },
  {
    code: "KeyC",
    shift: true,
    shown: "Shift c",
    words: "Copy what is selected and go on to the next: a value after another",
    act: () =>
      void copyAndGoOn(context).catch((thrown) =>
        context.workspace.tell({ words: problemOf(thrown).message, actions: [] }),
      ),
  },
  {
    code: "KeyC",
    shift: false,
    shown: "c",
    words: "Copy what is selected in the notation chosen",
    act: () =>
      void copy(context).catch((thrown) =>
        context.workspace.tell({ words: problemOf(thrown).message, actions: [] }),
      ),
  },
  {
    code: "KeyG",
    shown: "g",
    words: "Keep the selected color as the ground; again to let it go",
    act: () => keepAsGround(context),
  },
];
