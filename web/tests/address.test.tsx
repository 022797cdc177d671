import { act, render } from "@testing-library/react";
import { createPath, NavigationType, parsePath, Router, type To } from "react-router";
import { afterEach, beforeEach, expect, it, vi } from "vitest";
import { AddressMirror } from "../src/workspace/AddressMirror";
import { look, useLook } from "../src/workspace/look";

const AT = "/systems/brinemark/scales";

/** An address whose drawing is late: `arrive` draws it, as the browser does when it finds the time. */
function address() {
  const gone: { path: string; state: unknown }[] = [];
  const follow = (to: To, state: unknown) => {
    const path = createPath(to as object);
    window.history.replaceState(null, "", path);
    gone.push({ path, state });
  };
  const navigator = { createHref: String, go: () => undefined, push: follow, replace: follow };
  const drawn = (path: string, state: unknown, how: NavigationType) => (
    <Router location={{ ...parsePath(path), state }} navigator={navigator} navigationType={how}>
      <AddressMirror />
    </Router>
  );
  window.history.replaceState(null, "", AT);
  const { rerender } = render(drawn(AT, null, NavigationType.Pop));
  return {
    gone,
    arrive: (path: string, state: unknown, how: NavigationType) => rerender(drawn(path, state, how)),
  };
}

beforeEach(() => void vi.useFakeTimers());
afterEach(() => void vi.useRealTimers());

it("an address that comes late takes nobody back to where a fast hand has been", () => {
  const { gone, arrive } = address();
  act(() => look({ select: "step:tidewater/s700" }));
  act(() => void vi.advanceTimersByTime(500));
  expect(gone.map(({ path }) => path)).toEqual([`${AT}?at=step%3Atidewater%2Fs700`]);
  act(() => look({ select: "step:buoy/s700" }));
  act(() => arrive(gone[0]?.path ?? "", gone[0]?.state, NavigationType.Replace));
  expect(useLook.getState().select).toBe("step:buoy/s700");
  act(() => void vi.advanceTimersByTime(500));
  expect(gone.at(-1)?.path).toBe(`${AT}?at=step%3Abuoy%2Fs700`);
});

it("Back and links are followed, whoever made the address", () => {
  const { gone, arrive } = address();
  act(() => look({ select: "step:tidewater/s700" }));
  act(() => void vi.advanceTimersByTime(500));
  act(() => look({ select: "step:buoy/s700" }));
  act(() => arrive(gone[0]?.path ?? "", gone[0]?.state, NavigationType.Pop));
  expect(useLook.getState().select).toBe("step:tidewater/s700");
  act(() => arrive(`${AT}?at=hue%3Akelp`, null, NavigationType.Push));
  expect(useLook.getState().select).toBe("hue:kelp");
});
