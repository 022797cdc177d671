import { act, fireEvent, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { useRef, useState } from "react";
import { expect, it, vi } from "vitest";
import { Problem } from "../src/api/client";
import { NumberField } from "../src/components/NumberField";
import { Range } from "../src/components/Range";
import { TextField } from "../src/components/TextField";
import { useGrip } from "../src/util/useGrip";
import { draw } from "./drawing";

const number = { label: "Lightness", low: 0, high: 100, step: 0.5, places: 1 };
const field = () => screen.getByLabelText("Lightness") as HTMLInputElement;

it("a number that is typed is put once, by Enter or by leaving", async () => {
  const user = userEvent.setup();
  const put = vi.fn();
  draw(<NumberField {...number} value={40} onCommit={put} />);
  await user.clear(field());
  await user.type(field(), "52,5{Enter}");
  await user.tab();
  expect(put.mock.calls).toEqual([[52.5]]);
});

it.each(["0.32", "32", "32 %", "32%", "0,32"])("a share may be typed as %s", async (text) => {
  const user = userEvent.setup();
  const put = vi.fn();
  const share = { ...number, low: 0, high: 1, step: 0.05, places: 2, share: true };
  draw(<NumberField {...share} value={1} onCommit={put} />);
  await user.clear(field());
  await user.type(field(), `${text}{Enter}`);
  expect(put.mock.calls).toEqual([[0.32]]);
});

it("a number out of range is brought to the nearest, what is none goes back, and both are said", async () => {
  const user = userEvent.setup();
  const put = vi.fn();
  draw(<Keeping start={40} put={put} after={0} />);
  await user.clear(field());
  await user.type(field(), "700{Enter}");
  expect(put).toHaveBeenLastCalledWith(100);
  expect(field().value).toBe("100.0");
  expect(screen.getByRole("status").textContent).toBe("At most 100.0.");
  await user.clear(field());
  expect(screen.queryByRole("status")).toBeNull();
  await user.type(field(), "dark{Enter}");
  expect(field().value).toBe("100.0");
  expect(screen.getByRole("status").textContent).toBe("“dark” is no number.");
  expect(put).toHaveBeenCalledTimes(1);
});

it("steps that are seen as they go are put once, when the key has been let go and rests", async () => {
  const put = vi.fn();
  const stepped = vi.fn();
  draw(<NumberField {...number} value={40} onCommit={put} onStep={stepped} />);
  for (let press = 0; press < 4; press += 1) fireEvent.keyDown(field(), { key: "ArrowUp" });
  expect(stepped.mock.calls.map(([at]) => at)).toEqual([40.5, 41, 41.5, 42]);
  expect(put).not.toHaveBeenCalled();
  fireEvent.keyUp(field(), { key: "ArrowUp" });
  fireEvent.keyDown(field(), { key: "ArrowUp" });
  fireEvent.keyUp(field(), { key: "ArrowUp" });
  expect(put).not.toHaveBeenCalled();
  await vi.waitFor(() => expect(put).toHaveBeenCalled());
  expect(put.mock.calls).toEqual([[42.5]]);
});

/** A field whose value is what was kept, told after a while, one answer after another. */
function Keeping({ start, put, after }: { start: number; put: (value: number) => void; after: number }) {
  const [value, setValue] = useState(start);
  const line = useRef(Promise.resolve());
  const keep = (wanted: number) => {
    put(wanted);
    line.current = line.current.then(async () => {
      await new Promise((done) => setTimeout(done, after));
      setValue(wanted);
    });
    return line.current;
  };
  return <NumberField {...number} value={value} onCommit={keep} />;
}

const press = (key = "ArrowDown", more: object = {}) => {
  fireEvent.keyDown(field(), { key, ...more });
  fireEvent.keyUp(field(), { key, ...more });
};

it("a run of quick presses is one change, and none is lost", async () => {
  const put = vi.fn();
  draw(<Keeping start={40} put={put} after={20} />);
  for (let turn = 0; turn < 3; turn += 1) press("ArrowDown", { shiftKey: true });
  expect(field().value).toBe("25.0");
  await vi.waitFor(() => expect(put).toHaveBeenCalled());
  expect(put.mock.calls).toEqual([[25]]);
});

it.each([20, 90, 300])("an old answer sets no field back, nor a run after it, at %i ms", async (after) => {
  const put = vi.fn();
  draw(<Keeping start={40} put={put} after={after} />);
  const seen: string[] = [];
  for (const [at, wanted] of [50, 52, 54].entries()) {
    fireEvent.change(field(), { target: { value: `${wanted}` } });
    fireEvent.keyDown(field(), { key: "Enter" });
    expect(put).toHaveBeenCalledTimes(at + 1);
    seen.push(field().value);
  }
  for (let turn = 0; turn < 4; turn += 1) press("ArrowUp");
  seen.push(field().value);
  await vi.waitFor(() => expect(put).toHaveBeenCalledTimes(4), 3000);
  const watch = setInterval(() => seen.push(field().value));
  await act(() => new Promise((done) => setTimeout(done, 4 * after + 50)));
  clearInterval(watch);
  expect(put.mock.calls.map(([value]) => value)).toEqual([50, 52, 54, 56]);
  // From each figure to the next, and never back.
  expect(seen).toEqual([...seen].sort());
  expect(field().value).toBe("56.0");
});

it("what was refused goes back to what is there, once that is told", async () => {
  const put = vi.fn(() => Promise.resolve(false));
  draw(<NumberField {...number} value={40} onCommit={put} />);
  fireEvent.change(field(), { target: { value: "60" } });
  fireEvent.keyDown(field(), { key: "Enter" });
  expect(field().value).toBe("60.0");
  await act(() => Promise.resolve());
  expect(field().value).toBe("40.0");
});

it("keys that rest when a field goes are kept, and decimals that count are shown", async () => {
  const put = vi.fn();
  const { redraw } = draw(<NumberField {...number} value={7.5} places={0} most={6} onCommit={put} />);
  expect(field().value).toBe("7.5");
  press("ArrowUp");
  redraw(<p>gone</p>);
  expect(put.mock.calls).toEqual([[8]]);
});

it("Escape during a held key goes back to what was and puts nothing", () => {
  const put = vi.fn();
  const back = vi.fn();
  draw(<NumberField {...number} value={40} onCommit={put} onStep={() => undefined} onCancel={back} />);
  fireEvent.keyDown(field(), { key: "ArrowUp" });
  fireEvent.keyDown(field(), { key: "Escape" });
  fireEvent.keyUp(field(), { key: "ArrowUp" });
  expect(back).toHaveBeenCalledTimes(1);
  expect(put).not.toHaveBeenCalled();
  expect(field().value).toBe("40.0");
});

it("a figure that changes meanwhile does not overwrite what is being typed", async () => {
  const user = userEvent.setup();
  const { redraw } = draw(<NumberField {...number} value={40} onCommit={() => undefined} />);
  await user.clear(field());
  await user.type(field(), "5");
  redraw(<NumberField {...number} value={41} onCommit={() => undefined} />);
  expect(field().value).toBe("5");
});

it("a text that is refused stays, and says why at the field until it is changed", async () => {
  const user = userEvent.setup();
  const put = vi.fn(() => Promise.reject(new Problem({ detail: "A hue is already called buoy." }, 422)));
  draw(<TextField label="Name" value="tidewater" onCommit={put} />);
  const name = screen.getByLabelText("Name");
  await user.clear(name);
  await user.type(name, "buoy{Enter}");
  expect(await screen.findByText("A hue is already called buoy.")).toBeTruthy();
  expect((name as HTMLInputElement).value).toBe("buoy");
  await user.type(name, "{Escape}");
  expect((name as HTMLInputElement).value).toBe("tidewater");
  expect(screen.queryByText("A hue is already called buoy.")).toBeNull();
  await user.tab();
  expect(put).toHaveBeenCalledTimes(1);
});

it("a slider shows what it was let go at until that is answered, and ends once", async () => {
  let answer: (() => void) | undefined;
  const ended = vi.fn(
    () =>
      new Promise<void>((done) => {
        answer = done;
      }),
  );
  draw(<Range {...number} value={40} onChange={() => undefined} onEnd={ended} />);
  const slider = screen.getByRole("slider") as HTMLInputElement;
  fireEvent.change(slider, { target: { value: "60" } });
  fireEvent.change(slider, { target: { value: "62" } });
  fireEvent.pointerUp(slider);
  fireEvent.blur(slider);
  expect(ended.mock.calls).toEqual([[62]]);
  expect(slider.value).toBe("62");
  await act(async () => answer?.());
  expect(slider.value).toBe("40");
});

function Held({ of }: { of: string }) {
  const grip = useGrip<string>(of);
  return (
    <button type="button" onClick={() => grip.hold(`of ${of}`)}>
      {grip.value ?? "nothing"}
    </button>
  );
}

it("a grip on something else holds nothing", async () => {
  const { redraw } = draw(<Held of="buoy" />);
  fireEvent.click(screen.getByRole("button"));
  expect(screen.getByRole("button").textContent).toBe("of buoy");
  redraw(<Held of="gorse" />);
  expect(screen.getByRole("button").textContent).toBe("nothing");
});
