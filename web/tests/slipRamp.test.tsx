import { act, fireEvent, screen } from "@testing-library/react";
import { expect, it, vi } from "vitest";
import type { RampView, SafeView } from "../src/api/client";
import { SlipRamp } from "../src/shell/SlipRamp";
import { draw } from "./drawing";

const RAMP = {
  low: 0,
  high: 360,
  value: 100,
  reach: 360,
  colors: ["#112233", "#445566"],
  passing: [[20, 80]],
} as unknown as RampView;

function drawn(more: { safe?: SafeView; movable?: boolean; ramp?: Partial<RampView> } = {}) {
  const heard = {
    onTell: vi.fn(),
    onMove: vi.fn(),
    onEnd: vi.fn(async () => undefined),
    onRest: vi.fn(async () => undefined),
    onCancel: vi.fn(),
  };
  draw(
    <SlipRamp
      label="Hue"
      of="hue:buoy"
      ramp={{ ...RAMP, ...more.ramp }}
      step={1}
      places={0}
      unit="°"
      movable={more.movable ?? true}
      safe={more.safe ?? null}
      {...heard}
    />,
  );
  return heard;
}

const slider = () => screen.getByRole("slider", { name: "Hue" });
const press = (key: string, shiftKey = false) => fireEvent.keyDown(slider(), { key, shiftKey });
const moved = (heard: ReturnType<typeof drawn>) => heard.onMove.mock.calls.map(([to]) => to);

it("keys move by a step, by ten with shift, to the ends, and never beyond", () => {
  const heard = drawn();
  press("ArrowRight");
  press("ArrowUp", true);
  press("PageDown");
  press("End");
  press("ArrowRight");
  press("Home");
  press("ArrowLeft");
  expect(moved(heard)).toEqual([101, 111, 101, 360, 360, 0, 0]);
  expect(slider().getAttribute("aria-valuetext")).toBe("0°");
  expect(heard.onEnd).not.toHaveBeenCalled();
});

it("a run of keys rests when they are let go, and ends when the ramp is left", async () => {
  const heard = drawn();
  press("ArrowRight");
  fireEvent.keyUp(slider(), { key: "ArrowRight" });
  expect(heard.onRest).toHaveBeenCalledTimes(1);
  await act(async () => undefined);
  press("ArrowRight");
  fireEvent.blur(slider());
  expect(heard.onEnd).toHaveBeenCalledTimes(1);
});

it("Escape takes a run of keys back, and is left to others where there is none", () => {
  const heard = drawn();
  expect(press("Escape")).toBe(true);
  expect(heard.onCancel).not.toHaveBeenCalled();
  press("ArrowRight");
  expect(press("Escape")).toBe(false);
  expect(heard.onCancel).toHaveBeenCalledTimes(1);
  expect(slider().getAttribute("aria-valuenow")).toBe("100");
});

it("a number typed beside it moves once, and one beyond its end to the end, which is said", async () => {
  const heard = drawn();
  const field = screen.getByLabelText("Hue, as a number");
  fireEvent.change(field, { target: { value: "400" } });
  fireEvent.keyDown(field, { key: "Enter" });
  expect(moved(heard)).toEqual([360]);
  expect(heard.onEnd).toHaveBeenCalledTimes(1);
  expect(screen.getByRole("status").textContent).toBe("At most 360°.");
  await act(async () => undefined);
});

it("what cannot be moved says so, takes no key and has no field", () => {
  const heard = drawn({ movable: false });
  press("ArrowRight");
  expect(heard.onMove).not.toHaveBeenCalled();
  expect(slider().getAttribute("aria-readonly")).toBe("true");
  expect(slider().tabIndex).toBe(-1);
  expect(screen.queryByLabelText("Hue, as a number")).toBeNull();
});

it("a safe range that passes 360 degrees is drawn in two stretches, open where it goes on", () => {
  const safe = { low: 342, high: 378, below: "One comes.", above: "Another comes." } as SafeView;
  drawn({ safe, ramp: { value: 350 } });
  const [last, first] = screen.getAllByTestId("safe");
  expect(last?.style.left).toBe("95%");
  expect(last?.style.borderRightWidth).toBe("0px");
  expect(first?.style.left).toBe("0%");
  expect(first?.style.right).toBe("calc(95%)");
  expect(slider().getAttribute("aria-describedby")).not.toBeNull();
});

it("a safe range with nothing beyond it is drawn as none", () => {
  drawn({ safe: { low: 0, high: 360, below: "", above: "" } as SafeView });
  expect(screen.queryAllByTestId("safe")).toEqual([]);
});
