/** What the workspace is made of, each on its own: what is fresh, what stands in line, what is away, what others do. */
import { afterEach, beforeEach, describe, expect, test, vi } from "vitest";
import { type Parts, Problem } from "../src/api/client";
import { Away } from "../src/workspace/Away";
import { Following } from "../src/workspace/Following";
import type { Answer, Look } from "../src/workspace/known";
import { AGAIN_MS, Line } from "../src/workspace/Line";
import { PartsCache } from "../src/workspace/PartsCache";
import { LOOK } from "./server";

const away = new Problem({ detail: "The database is away." }, 503);
const refused = new Problem({ detail: "No." }, 422);
const head = (revision: number): Answer => ({ head: { revision } as Parts["head"] });
const looking = (wish: Partial<Look>): Look => ({ ...LOOK, ...wish });

beforeEach(() => void vi.useFakeTimers());
afterEach(() => void vi.useRealTimers());

describe("the parts that are kept", () => {
  const wanted = ["head", "hues", "ladder"] as const;

  test("are asked for again when what they depend on is another, and only they", () => {
    const parts = new PartsCache();
    const look = looking({ parts: wanted });
    expect(parts.stale(look)).toEqual(wanted);
    parts.take({ ...head(3), hues: [], ladder: {} as Parts["ladder"] }, look, wanted);
    expect(parts.stale(look)).toEqual([]);
    expect(parts.stale(looking({ parts: wanted, vision: "deutan" }))).toEqual(["hues"]);
  });

  test("of an older revision are outdated, and an older answer is not taken", () => {
    const parts = new PartsCache();
    const look = looking({ parts: wanted });
    parts.take({ ...head(3), hues: [], ladder: {} as Parts["ladder"] }, look, wanted);
    parts.take(head(4), look, ["head", "hues"]);
    expect(parts.revision).toBe(4);
    expect(parts.stale(look)).toEqual(["hues", "ladder"]);
    expect(parts.kept).toHaveProperty("hues");
    expect(parts.kept).not.toHaveProperty("ladder");
    parts.take(head(2), look, wanted);
    expect(parts.revision).toBe(4);
    parts.outdate();
    expect(parts.stale(look)).toEqual(wanted);
  });
});

test("what stands in line goes one after another, whatever came of the one before", async () => {
  const line = new Line(
    () => undefined,
    () => false,
  );
  const done: string[] = [];
  const first = line.join(async () => {
    await new Promise((go) => setTimeout(go, 50));
    done.push("first");
    throw refused;
  });
  const second = line.join(async () => void done.push("second"));
  const failed = expect(first).rejects.toBe(refused);
  await vi.advanceTimersByTimeAsync(60);
  await failed;
  await second;
  expect(done).toEqual(["first", "second"]);
});

test("what the database is away for is sent again until it is answered, and told while it waits", async () => {
  const waits: boolean[] = [];
  const line = new Line(
    (is) => waits.push(is),
    () => false,
  );
  let sent = 0;
  const answer = line.insist(async () => {
    sent += 1;
    if (sent < 3) throw away;
    return "kept";
  });
  await vi.advanceTimersByTimeAsync(2 * AGAIN_MS + 1);
  expect(await answer).toBe("kept");
  expect(waits).toEqual([true, true, false]);
});

test("it seems away as long as any reason holds, and each is told once", () => {
  const told: [string, boolean, boolean][] = [];
  const seems = new Away((...all) => told.push(all));
  seems.set("loading", true);
  seems.set("unsaved", true);
  seems.set("unsaved", true);
  seems.set("loading", false);
  expect(seems.unsaved).toBe(true);
  seems.set("unsaved", false);
  expect(told).toEqual([
    ["loading", true, true],
    ["unsaved", true, true],
    ["loading", false, true],
    ["unsaved", false, false],
  ]);
});

test("others are followed until one stops, through a time when the database is away", async () => {
  const answers: (number | typeof away)[] = [5, away, 6, 7];
  const heard: number[] = [];
  const seems: boolean[] = [];
  const following = new Following(
    async () => {
      const next = answers.shift();
      if (typeof next !== "number") throw next;
      return next;
    },
    (revision) => heard.push(revision),
    (is) => seems.push(is),
  );
  following.start();
  await vi.advanceTimersByTimeAsync(3 * 4000 + 10);
  following.stop();
  await vi.advanceTimersByTimeAsync(20_000);
  expect(heard).toEqual([5, 6]);
  expect(seems).toEqual([false, true, false]);
});
