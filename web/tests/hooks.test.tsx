import { act, fireEvent, render, screen } from "@testing-library/react";
import { useEffect } from "react";
import { expect, it, vi } from "vitest";
import { ErrorBoundary } from "../src/shell/ErrorBoundary";
import { useLatest } from "../src/workspace/useLatest";
import { useWhole } from "../src/workspace/useWhole";
import { draw } from "./drawing";
import { settled } from "./server";

let broken = true;
function Sheet() {
  if (broken) throw new Error("the part hues is shown and was not asked for");
  return <p>the sheet</p>;
}

it("what breaks is said in its place; the rest goes on, and it can be shown again", () => {
  vi.spyOn(console, "error").mockImplementation(() => undefined);
  draw(
    <>
      <p>the slip</p>
      <ErrorBoundary what="The stage Scales">
        <Sheet />
      </ErrorBoundary>
    </>,
  );
  expect(screen.getByText("the slip")).toBeTruthy();
  expect(screen.getByRole("alert").textContent).toContain("The stage Scales cannot be shown: the part hues");
  broken = false;
  fireEvent.click(screen.getByText("Show it again"));
  expect(screen.getByText("the sheet")).toBeTruthy();
});

type Ask = (question: string) => Promise<string>;

function Asking({ question, ask, seen }: { question: string | null; ask: Ask; seen: string[] }) {
  const { answer, problem, busy } = useLatest(question, ask);
  useEffect(() => void seen.push(`${answer} ${problem?.message} ${busy}`), [seen, answer, problem, busy]);
  return null;
}

it("a question is asked anew with its newest wording, one at a time, and a refusal keeps the last answer", async () => {
  const asked: { question: string; answer: (text: string) => void; refuse: () => void }[] = [];
  const ask = (question: string) =>
    new Promise<string>((answer, reject) => {
      asked.push({ question, answer, refuse: () => reject(new Error("no such color")) });
    });
  const seen: string[] = [];
  const { redraw, unmount } = draw(<Asking question="a" ask={ask} seen={seen} />);
  redraw(<Asking question="b" ask={ask} seen={seen} />);
  redraw(<Asking question="c" ask={ask} seen={seen} />);
  expect(asked.map((each) => each.question)).toEqual(["a"]);
  await act(async () => {
    asked[0]?.answer("A");
    await settled();
  });
  expect(asked.map((each) => each.question)).toEqual(["a", "c"]);
  await act(async () => {
    asked[1]?.refuse();
    await settled();
  });
  expect(seen.at(-1)).toBe("A Error: no such color false");
  const before = seen.length;
  redraw(<Asking question="d" ask={ask} seen={seen} />);
  unmount();
  await act(async () => {
    asked[2]?.answer("D");
    await settled();
  });
  expect(seen.slice(before).some((each) => each.startsWith("D"))).toBe(false);
});

interface Whole {
  one: number;
  other: number;
}

function Changing({
  value,
  keep,
  hand,
}: {
  value: Whole;
  keep: (whole: Whole) => Promise<unknown>;
  hand: Hand;
}) {
  hand.change = useWhole(value, keep);
  return null;
}
interface Hand {
  change?: ReturnType<typeof useWhole<Whole>>;
}

it("a part that was changed a moment ago is not taken back by the next change, nor by an answer that comes late", async () => {
  const hand: Hand = {};
  const ends: (() => void)[] = [];
  const kept: Whole[] = [];
  const keep = (whole: Whole) => {
    kept.push(whole);
    return new Promise<void>((done) => ends.push(done));
  };
  const { rerender } = render(<Changing value={{ one: 0, other: 0 }} keep={keep} hand={hand} />);
  void hand.change?.({ one: 1 });
  void hand.change?.({ other: 5 });
  expect(kept).toEqual([
    { one: 1, other: 0 },
    { one: 1, other: 5 },
  ]);
  // The first answer comes while the second change is on its way.
  rerender(<Changing value={{ one: 1, other: 0 }} keep={keep} hand={hand} />);
  void hand.change?.((at) => ({ one: at.one + 1 }));
  expect(kept[2]).toEqual({ one: 2, other: 5 });
  for (const end of ends) end();
  await settled();
  // What others did since is built upon once nothing is on its way.
  rerender(<Changing value={{ one: 7, other: 7 }} keep={keep} hand={hand} />);
  void hand.change?.({ other: 8 });
  expect(kept[3]).toEqual({ one: 7, other: 8 });
});
