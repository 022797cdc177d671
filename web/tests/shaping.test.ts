import { describe, expect, it } from "vitest";
import {
  changed,
  everyNth,
  inserted,
  LABELINGS,
  noRoom,
  relabeled,
  room,
  spreadEvenly,
  without,
} from "../src/stages/scales/areas/shaping";
import type { Draft } from "../src/stages/scales/areas/useLadder";

const ladder = (...steps: [string, number, boolean?][]): Draft => ({
  name: "usual",
  steps: steps.map(([label, lightness, between = false]) => ({
    id: `s${label}`,
    key: `s${label}`,
    label,
    lightness,
    between,
    internal: false,
    uses: 0,
  })),
});
const NINE = ladder(
  ...[97, 86, 75, 64, 53, 41, 30, 19, 8].map(
    (light, place) => [`${(place + 1) * 100}`, light] as [string, number],
  ),
);
const labels = (draft: Draft) => draft.steps.map((step) => step.label);

describe("a step put in", () => {
  it("stands halfway, in label and in lightness, and moves no other", () => {
    const made = inserted(NINE, 1);
    expect(made.steps[2]).toMatchObject({ label: "250", lightness: 80.5, between: true, id: "" });
    expect(made.steps.filter((_, place) => place !== 2)).toEqual(NINE.steps);
  });

  it("beyond an end counts on, within what lightness can be", () => {
    expect(inserted(NINE, -1).steps[0]).toMatchObject({ label: "50", between: false });
    expect(inserted(NINE, 8).steps[9]).toMatchObject({ label: "950", between: false });
    for (const place of [-1, 8]) {
      for (const step of inserted(NINE, place).steps) {
        expect(step.lightness).toBeGreaterThanOrEqual(0);
        expect(step.lightness).toBeLessThanOrEqual(100);
      }
    }
  });

  it("never takes a label that is there, and has a key of its own", () => {
    let draft = ladder(["1", 90], ["2", 50], ["1.5", 20]);
    draft = inserted(inserted(draft, 0), 0);
    expect(labels(draft).filter((label) => label === "1.5")).toHaveLength(1);
    expect(new Set(draft.steps.map((step) => step.key)).size).toBe(5);
  });
});

describe("a step taken out", () => {
  it("leaves no end between two others", () => {
    const draft = without(ladder(["1", 90], ["2", 70, true], ["3", 50], ["4", 10]), "s1");
    expect(labels(draft)).toEqual(["2", "3", "4"]);
    expect(draft.steps[0]?.between).toBe(false);
  });
});

describe("all at once", () => {
  it("relabeling keeps ids, so that what stands on the steps stays", () => {
    for (const { value } of LABELINGS) {
      const made = relabeled(NINE, value);
      expect(made.steps.map((step) => step.id)).toEqual(NINE.steps.map((step) => step.id));
      expect(new Set(labels(made)).size).toBe(9);
    }
    expect(labels(relabeled(NINE, "fifties"))).toEqual([
      "50",
      ...["100", "200", "300", "400", "500", "600", "700"],
      "750",
    ]);
  });

  it("every second step keeps the first", () => {
    expect(labels(everyNth(NINE, 2))).toEqual(["100", "300", "500", "700", "900"]);
  });

  it("even distances keep both ends", () => {
    const lights = spreadEvenly(NINE).steps.map((step) => step.lightness);
    expect([lights[0], lights[4], lights[8]]).toEqual([97, 52.5, 8]);
  });
});

it("a step has the room between its neighbors, and an end the rest", () => {
  expect(room(NINE, 0)).toEqual([86.1, 100]);
  const [low, high] = room(NINE, 4);
  expect(low).toBeCloseTo(41.1);
  expect(high).toBeCloseTo(63.9);
  expect(room(NINE, 8)).toEqual([0, 18.9]);
});

it("a step beyond an end lies between that end and white or black, or it is said that there is no room", () => {
  const [first] = inserted(NINE, -1).steps;
  expect(first?.lightness).toBe(98.5);
  const last = inserted(NINE, 8).steps.at(-1);
  expect(last?.lightness).toBe(4);
  expect(noRoom(NINE, -1)).toBeNull();
  const white = changed(NINE, NINE.steps[0]?.key ?? "", { lightness: 99.5 });
  expect(noRoom(white, -1)).toBe("There is no room beyond 100: it is all but white.");
  const black = changed(NINE, NINE.steps[8]?.key ?? "", { lightness: 0.4 });
  expect(noRoom(black, 8)).toBe("There is no room beyond 900: it is all but black.");
});
