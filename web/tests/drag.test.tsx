import { fireEvent, render, screen } from "@testing-library/react";
import { useRef } from "react";
import { expect, it, vi } from "vitest";
import { type DragPoint, useDrag, within } from "../src/util/useDrag";

const told = vi.fn();
const captured = vi.fn();

/** A box of 200 × 100 pixels, 10 to the right and 20 down, with two things in it. */
function Box() {
  const box = useRef<HTMLDivElement>(null);
  const tell =
    (what: string) =>
    (thing: string, at?: DragPoint, from?: DragPoint): void =>
      told(what, thing, at && [at.across, at.down], from && [from.x, from.y]);
  const drag = useDrag<string>(box, {
    begin: tell("begin"),
    move: tell("move"),
    end: tell("end"),
    cancel: tell("cancel"),
  });
  return (
    <div
      ref={(element) => {
        box.current = element;
        if (element) element.getBoundingClientRect = () => new DOMRect(10, 20, 200, 100);
      }}
    >
      {["one", "other"].map((thing) => (
        <button
          key={thing}
          type="button"
          {...drag.grab(thing)}
          onKeyDown={() => drag.release()}
          ref={(element) => {
            if (element) element.setPointerCapture = captured;
          }}
        >
          {thing}
        </button>
      ))}
    </div>
  );
}

const at = (clientX: number, clientY: number) => ({ clientX, clientY, pointerId: 7, button: 0 });

it("a thing that is held follows its pointer beyond the box, and what is not held does not", () => {
  told.mockClear();
  render(<Box />);
  const [one, other] = [screen.getByText("one"), screen.getByText("other")];
  fireEvent.pointerMove(one, at(50, 50));
  fireEvent.pointerDown(one, { ...at(50, 50), button: 2 });
  fireEvent.pointerUp(one, at(50, 50));
  expect(told).not.toHaveBeenCalled();
  fireEvent.pointerDown(one, at(60, 70));
  expect(captured).toHaveBeenLastCalledWith(7);
  fireEvent.pointerMove(one, at(310, 0));
  fireEvent.pointerUp(one, at(110, 120));
  fireEvent.pointerMove(one, at(111, 121));
  fireEvent.pointerCancel(one);
  expect(told.mock.calls).toEqual([
    ["begin", "one", [0.25, 0.5], undefined],
    ["move", "one", [1.5, -0.2], [50, 50]],
    ["end", "one", [0.5, 1], undefined],
  ]);
  expect([1.5, -0.2, 0.3].map(within)).toEqual([1, 0, 0.3]);

  told.mockClear();
  fireEvent.pointerDown(other, at(10, 20));
  fireEvent.pointerCancel(other);
  fireEvent.pointerUp(other, at(10, 20));
  expect(told.mock.calls.map(([what]) => what)).toEqual(["begin", "cancel"]);
});

it("what was let go by a key moves and ends no more", () => {
  told.mockClear();
  render(<Box />);
  const one = screen.getByText("one");
  fireEvent.pointerDown(one, at(60, 70));
  fireEvent.keyDown(one, { key: "Escape" });
  fireEvent.pointerMove(one, at(80, 70));
  fireEvent.pointerUp(one, at(80, 70));
  expect(told.mock.calls.map(([what]) => what)).toEqual(["begin"]);
});
