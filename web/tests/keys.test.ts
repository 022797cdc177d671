import { fireEvent } from "@testing-library/react";
import { afterEach, beforeEach, expect, it } from "vitest";
import { dispatch, type KeyBinding } from "../src/shell/keys/binding";

let acted: string[] = [];
let singleKeys = true;
const act = (words: string) => () => void acted.push(words);
const bindings: KeyBinding[] = [
  { code: "KeyZ", command: true, shift: false, shown: "", words: "", act: act("undo") },
  { code: "KeyZ", command: true, shift: true, shown: "", words: "", act: act("redo") },
  { code: "Slash", shift: false, shown: "", words: "", act: act("find") },
  { code: "Slash", shift: true, shown: "", words: "", act: act("keys") },
  {
    code: "Minus",
    shown: "",
    words: "",
    act: (event) => acted.push(event.shiftKey ? "darker by 10" : "darker"),
  },
];
const listen = (event: KeyboardEvent) => dispatch(event, bindings, singleKeys);
const press = (code: string, how: object = {}, target: Element = document.body) =>
  fireEvent.keyDown(target, { code, bubbles: true, ...how });

beforeEach(() => {
  acted = [];
  singleKeys = true;
  window.addEventListener("keydown", listen);
});
afterEach(() => {
  window.removeEventListener("keydown", listen);
  document.body.replaceChildren();
});

it("keys are told apart by Shift and by Ctrl or Cmd, wherever they lie", () => {
  press("KeyZ", { ctrlKey: true });
  press("KeyZ", { metaKey: true, shiftKey: true });
  press("KeyZ");
  press("Slash");
  press("Slash", { shiftKey: true });
  press("Minus", { shiftKey: true });
  press("Minus", { ctrlKey: true });
  expect(acted).toEqual(["undo", "redo", "find", "keys", "darker by 10"]);
});

it("what is bound is not done by the browser too", () => {
  expect(press("Slash")).toBe(false);
  expect(press("KeyQ")).toBe(true);
});

it("nothing is done while typing, but a slider is no field to type in", () => {
  for (const [tag, type] of [
    ["input", "text"],
    ["textarea", ""],
    ["select", ""],
  ] as const) {
    const field = document.body.appendChild(document.createElement(tag));
    if (type) field.setAttribute("type", type);
    press("Minus", {}, field);
    press("KeyZ", { ctrlKey: true }, field);
  }
  expect(acted).toEqual([]);
  const slider = document.body.appendChild(document.createElement("input"));
  slider.type = "range";
  press("KeyZ", { ctrlKey: true }, slider);
  expect(acted).toEqual(["undo"]);
});

it("single keys can be switched off; undo cannot", () => {
  singleKeys = false;
  press("Minus");
  press("KeyZ", { ctrlKey: true });
  expect(acted).toEqual(["undo"]);
});
