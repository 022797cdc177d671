import { act, screen } from "@testing-library/react";
import { Profiler, useLayoutEffect } from "react";
import { beforeEach, expect, it, vi } from "vitest";
import type { Parts } from "../src/api/client";
import { useChosen } from "../src/workspace/chosen";
import { usePart, useWorkspace, WorkspaceProvider } from "../src/workspace/hooks";
import { useLook } from "../src/workspace/look";
import { useMoving } from "../src/workspace/moving";
import { draw } from "./drawing";
import { HeldServer, known, LOOK, settled } from "./server";

let held = new HeldServer();
vi.mock("../src/workspace/server", () => ({
  get server() {
    return held;
  },
}));

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

let moving: ReturnType<typeof useMoving>;
let drawn = 0;

function Looking() {
  const workspace = useWorkspace();
  moving = useMoving();
  useLayoutEffect(() => workspace.lookAt({ ...LOOK, parts: ["hues", "slip"] }), [workspace]);
  return null;
}

function Names() {
  const names = usePart("hues", (hues) => hues.map((hue) => hue.name).join(" "));
  return <p data-testid="names">{names}</p>;
}

async function opened(first = answer(1, 50)) {
  held = new HeldServer();
  useLook.setState({ slug: "brinemark" });
  const { redraw } = draw(
    <WorkspaceProvider>
      <Looking />
    </WorkspaceProvider>,
  );
  await act(() => held.last("open").answer(first));
  return redraw;
}
const edits = (what: "preview" | "keep") =>
  held.asked.filter((each) => each.what === what).map((each) => each.edits[0]);
const darker = (by: number) => moving.move((aim) => ({ lightness: aim.lightness - by }));

beforeEach(() => {
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

it("what cannot be moved is left alone", async () => {
  await opened({ ...answer(1, 50), slip: slip(50, { movable_hue: null }) });
  darker(1);
  await moving.end();
  expect(held.asked.map((each) => each.what)).toEqual(["open"]);
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
    <WorkspaceProvider>
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
