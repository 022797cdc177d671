import { act, fireEvent, screen } from "@testing-library/react";
import { expect, it, vi } from "vitest";
import type { CurveView, HandleView, SafeView, StepView } from "../src/api/client";
import { CurveSheet } from "../src/stages/scales/areas/CurveSheet";
import { draw } from "./drawing";

const handle = (at: number, place: number, value: number, set = false): HandleView =>
  ({ at, place, value, low: 20, high: 80, set, words: `Lightness at ${at}` }) as HandleView;
const CURVE = {
  name: "lightness",
  low: 0,
  high: 100,
  line: [
    [0, 90],
    [2, 10],
  ],
  possible: [
    [0, 40, 100],
    [2, 0, 60],
  ],
  steps: [90, 50, 10],
  source: [1, 50],
  handles: [handle(-0.5, 0.5, 70), handle(0.5, 1.5, 30, true)],
  words: "",
} as unknown as CurveView;
// Two steps share the first column, as an own ladder's may.
const STEPS = [0, 0, 1].map((column, place) => ({ id: `s${place}`, column, seen: "#445566" }));

function drawn(more: { safe?: SafeView; curve?: Partial<CurveView> } = {}) {
  const heard = {
    onMove: vi.fn(),
    onEnd: vi.fn(async () => undefined),
    onCancel: vi.fn(),
    onReset: vi.fn(),
    onAt: vi.fn(),
  };
  draw(
    <CurveSheet
      curves={[{ ...CURVE, ...more.curve }]}
      name="lightness"
      steps={STEPS as unknown as StepView[]}
      columns={2}
      at={-0.5}
      safe={more.safe ?? null}
      {...heard}
    />,
  );
  return heard;
}

const grip = (at: number) => screen.getByRole("slider", { name: `Lightness at ${at}` });
const values = (heard: ReturnType<typeof drawn>) => heard.onMove.mock.calls.map(([, , value]) => value);

it("a handle moves by keys within its limits and is kept once, when they rest", async () => {
  const heard = drawn();
  const key = (key: string, shiftKey = false) => fireEvent.keyDown(grip(-0.5), { key, shiftKey });
  key("ArrowUp");
  key("ArrowUp", true);
  key("ArrowDown");
  expect(values(heard)).toEqual([71, 80, 79]);
  expect(heard.onEnd).not.toHaveBeenCalled();
  fireEvent.blur(grip(-0.5));
  await act(async () => undefined);
  expect(heard.onEnd).toHaveBeenCalledTimes(1);
  expect(heard.onEnd).toHaveBeenCalledWith("lightness", expect.objectContaining({ at: -0.5 }), 79);
});

it("Escape takes back what keys moved, and Backspace puts the handle back as usual", () => {
  const heard = drawn();
  fireEvent.keyDown(grip(0.5), { key: "ArrowDown" });
  expect(grip(0.5).getAttribute("aria-valuetext")).toBe("29.0");
  fireEvent.keyDown(grip(0.5), { key: "Escape" });
  expect(heard.onCancel).toHaveBeenCalledTimes(1);
  expect(grip(0.5).getAttribute("aria-valuetext")).toBe("30.0");
  fireEvent.keyDown(grip(0.5), { key: "Backspace" });
  expect(heard.onReset).toHaveBeenCalledWith("lightness", expect.objectContaining({ at: 0.5 }));
});

it("what nobody has set is told as usual, and stands where it moves on the sheet", () => {
  drawn();
  expect(grip(-0.5).getAttribute("aria-valuetext")).toBe("70.0, as usual");
  // Steps 0 and 1 share the left half: their middles are at 12.5 and 37.5 percent, and the third's at 75.
  expect(grip(-0.5).style.left).toBe("25%");
  expect(grip(0.5).style.left).toBe("56.25%");
  expect(grip(-0.5).style.top).toBe("30%");
});

it("a typed number is kept within the handle's limits, which is said", async () => {
  const heard = drawn();
  const field = screen.getByLabelText("Lightness at 0.5, as a number");
  fireEvent.change(field, { target: { value: "95" } });
  fireEvent.keyDown(field, { key: "Enter" });
  expect(heard.onEnd).toHaveBeenCalledWith("lightness", expect.objectContaining({ at: 0.5 }), 80);
  expect(screen.getByRole("status").textContent).toBe("At most 80.0.");
  await act(async () => undefined);
});

it("a safe range stands at the handle that is looked at, between its ends", () => {
  drawn({ safe: { low: 60, high: 75, below: "One comes.", above: "" } as SafeView });
  const range = screen.getByTestId("safe-handle");
  expect([range.style.left, range.style.top, range.style.bottom]).toEqual(["25%", "25%", "60%"]);
});

it("a gray has nothing to shape, and says so", () => {
  drawn({ curve: { handles: [] } });
  expect(screen.getByText("A gray has no lightness to shape.")).toBeTruthy();
  expect(screen.queryAllByRole("slider")).toEqual([]);
});
