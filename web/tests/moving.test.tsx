import { act, screen } from "@testing-library/react";
import { Profiler, type ReactNode, useLayoutEffect } from "react";
import { beforeEach, expect, it, vi } from "vitest";
import type { Parts } from "../src/api/client";
import { useChosen } from "../src/workspace/chosen";
import { useKnown, usePart, useWorkspace, WorkspaceProvider } from "../src/workspace/hooks";
import { useLook } from "../src/workspace/look";
import type { Moving } from "../src/workspace/Moving";
import { useRested } from "../src/workspace/useRested";
import type { Workspace } from "../src/workspace/Workspace";
import { draw } from "./drawing";
import { HeldServer, known, LOOK, settled } from "./server";

let held = new HeldServer();

const slip = (lightness: number, more: object = {}) =>
  ({
    key: "hue:buoy",
    movable_hue: "buoy",
    movable_step: null,
    aim: { lightness, chroma: 0.1, angle: 40 },
    ...more,
  }) as unknown as Parts["slip"];
const answer = (revision: number, lightness: number) => ({
  ...known(revision, "buoy"),
  slip: slip(lightness),
});

let moving: Moving;
let workspace: Workspace;
let drawn = 0;

function Looking() {
  const here = useWorkspace();
  workspace = here;
  moving = here.moving;
  useLayoutEffect(() => here.lookAt({ ...LOOK, parts: ["hues", "slip"] }), [here]);
  return null;
}

function Names() {
  const names = usePart("hues", (hues) => hues.map((hue) => hue.name).join(" "));
  return <p data-testid="names">{names}</p>;
}

async function opened(first = answer(1, 50), more: ReactNode = null) {
  held = new HeldServer();
  useLook.setState({ slug: "brinemark" });
  const { redraw } = draw(
    <WorkspaceProvider wanted="brinemark" from={held}>
      <Looking />
      {more}
    </WorkspaceProvider>,
  );
  await act(() => held.last("open").answer(first));
  return redraw;
}
const edits = (what: "preview" | "keep") =>
  held.asked.filter((each) => each.what === what).map((each) => each.edits[0]);
const darker = (by: number) => moving.move((aim) => ({ lightness: aim.lightness - by }));

const said = () => workspace.store.getState().said;

beforeEach(() => {
  useLook.setState({ select: null });
  useChosen.getState().choose([]);
  drawn = 0;
});

it("a held key is previewed as it goes and kept once, from where it began", async () => {
  await opened();
  for (let press = 0; press < 5; press += 1) darker(1);
  expect(edits("preview")).toEqual([
    { type: "aim_source", hue: "buoy", lightness: 49, chroma: 0.1, angle: 40 },
  ]);
  const ended = moving.end();
  await settled();
  expect(edits("keep")).toEqual([{ type: "aim_source", hue: "buoy", lightness: 45, chroma: 0.1, angle: 40 }]);
  await act(() => held.last("keep").answer(answer(2, 45)));
  await ended;
  await moving.end();
  expect(edits("keep")).toHaveLength(1);
});

it("a key pressed again before the answer goes on from where the last press ended", async () => {
  await opened();
  darker(1);
  void moving.end();
  await settled();
  const first = held.last("keep");
  darker(1);
  void moving.end();
  await act(() => first.answer(answer(2, 49)));
  await settled();
  expect(edits("keep").map((each) => (each as { lightness: number }).lightness)).toEqual([49, 48]);
  await act(() => held.last("keep").answer(answer(3, 48)));
});

it("ends of what a quantity can be are kept to, and a hue goes around", async () => {
  await opened();
  moving.move(() => ({ lightness: 300, chroma: -1, angle: -15 }));
  void moving.end();
  await settled();
  expect(edits("keep")).toEqual([{ type: "aim_source", hue: "buoy", lightness: 100, chroma: 0, angle: 345 }]);
  await act(() => held.last("keep").answer(answer(2, 100)));
});

it("several chosen steps are nudged by as much, each from where it is", async () => {
  await opened(answer(1, 50));
  useChosen.getState().choose(["step:buoy/s300", "step:kelp/s400"]);
  darker(2);
  darker(2);
  void moving.end();
  await settled();
  expect(edits("keep")).toEqual([
    {
      type: "nudge_steps",
      steps: [
        { hue: "buoy", step: "s300" },
        { hue: "kelp", step: "s400" },
      ],
      lightness: -4,
      chroma: 0,
      turn: 0,
    },
  ]);
  await act(() => held.last("keep").answer(answer(2, 50)));
});

it("what cannot be moved is left alone, and why is said", async () => {
  await opened({ ...answer(1, 50), slip: slip(50, { movable_hue: null, fixed: "buoy is held." }) });
  darker(1);
  await moving.end();
  expect(held.asked.map((each) => each.what)).toEqual(["open"]);
  expect(said()).toBe("buoy is held.");
  // A key that is held says it at every press, though each takes away what was said.
  darker(1);
  workspace.say(null);
  darker(1);
  expect(said()).toBe("buoy is held.");
});

it("an end that is reached is said, and nothing is kept that changes nothing", async () => {
  await opened(answer(1, 0));
  darker(1);
  expect(said()).toBe("Lightness ends at 0, black.");
  await moving.end();
  expect(edits("keep")).toEqual([]);
});

it("a run of taps is one change, kept once the keys rest", async () => {
  await opened();
  for (let tap = 0; tap < 20; tap += 1) {
    darker(1);
    void moving.rest();
  }
  await settled();
  expect(edits("keep")).toEqual([]);
  await vi.waitFor(() => expect(edits("keep")).toHaveLength(1));
  expect(edits("keep")).toEqual([{ type: "aim_source", hue: "buoy", lightness: 30, chroma: 0.1, angle: 40 }]);
  await act(() => held.last("keep").answer(answer(2, 30)));
});

it("a key right after a selection moves what is selected now, though it is not told yet where that stands", async () => {
  await opened();
  act(() => useLook.setState({ select: "step:kelp/s300" }));
  darker(1);
  darker(1);
  expect(held.last("open").view.select).toBe("step:kelp/s300");
  const told = held.last("open");
  act(() => useLook.setState({ select: "hue:buoy" }));
  void moving.end();
  const { answer: reply } = told;
  const step = slip(60, { key: "step:kelp/s300", movable_hue: "kelp", movable_step: "s300" });
  await act(() => reply({ ...known(1, "buoy"), slip: step }));
  await settled();
  expect(edits("keep")).toEqual([
    { type: "aim_step", hue: "kelp", step: "s300", lightness: 58, chroma: 0.1, angle: 40 },
  ]);
  await act(() => held.last("keep").answer(answer(2, 50)));
});

it("undo takes back a run that still rests", async () => {
  await opened();
  darker(1);
  void moving.rest();
  void workspace.takeBack("undo");
  await settled();
  expect(held.asked.map((each) => each.what).slice(-1)).toEqual(["keep"]);
  await act(() => held.last("keep").answer(answer(2, 49)));
  expect(held.asked.at(-1)?.what).toBe("undo");
  await act(() => held.last("undo").answer(answer(3, 50)));
});

it("Escape goes back to what was, and nothing is kept", async () => {
  await opened();
  darker(1);
  moving.cancel();
  await moving.end();
  expect(edits("keep")).toEqual([]);
});

it("who shows a part is drawn again only when that part has changed", async () => {
  const redraw = await opened();
  redraw(
    <WorkspaceProvider wanted="brinemark" from={held}>
      <Looking />
      <Profiler id="names" onRender={() => (drawn += 1)}>
        <Names />
      </Profiler>
    </WorkspaceProvider>,
  );
  expect(screen.getByTestId("names").textContent).toBe("buoy");
  const before = drawn;
  darker(1);
  await act(() => held.last("preview").answer(answer(1, 49)));
  expect(drawn).toBe(before);
  await act(async () => {
    darker(1);
    await settled();
  });
  await act(() => held.last("preview").answer({ ...answer(1, 48), ...known(1, "signal") }));
  expect(screen.getByTestId("names").textContent).toBe("signal");
  expect(drawn).toBe(before + 1);
  moving.cancel();
});

let asked: AbortSignal[] = [];
function Resting() {
  const revision = useKnown(({ parts }) => parts?.head?.revision);
  useRested(["rest", revision], (signal) => {
    asked.push(signal);
    return new Promise(() => undefined);
  });
  return null;
}

it("what is asked for at rest is given up when a gesture begins, and asked for anew after it", async () => {
  asked = [];
  await opened(answer(1, 50), <Resting />);
  await vi.waitFor(() => expect(asked).toHaveLength(1));
  await act(async () => darker(1));
  expect(asked[0]?.aborted).toBe(true);
  await act(async () => moving.cancel());
  await vi.waitFor(() => expect(asked).toHaveLength(2));
  expect(asked[1]?.aborted).toBe(false);
});
