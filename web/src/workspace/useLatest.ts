/** The newest answer to a question that changes while it is asked: one request at a time, always with the newest value. */
import { useEffect, useMemo, useRef, useState } from "react";
import { type Problem, problemOf } from "../api/client";
import { SingleFlight } from "./SingleFlight";

interface Answered<Answer> {
  answer: Answer | null;
  problem: Problem | null;
  busy: boolean;
}

/** `question` is compared by what it says; null asks nothing, and the last answer stays. */
export function useLatest<Question, Answer>(
  question: Question | null,
  ask: (question: Question) => Promise<Answer>,
): Answered<Answer> {
  const [state, setState] = useState<Answered<Answer>>({ answer: null, problem: null, busy: false });
  const asking = useRef(ask);
  asking.current = ask;
  const gone = useRef(false);
  useEffect(() => {
    gone.current = false;
    return () => {
      gone.current = true;
    };
  }, []);
  const flight = useMemo(
    () =>
      new SingleFlight<Question>(async (asked) => {
        if (gone.current) return;
        setState((before) => ({ ...before, busy: true }));
        try {
          const answer = await asking.current(asked);
          if (!gone.current) setState({ answer, problem: null, busy: false });
        } catch (thrown) {
          if (!gone.current) setState((before) => ({ ...before, problem: problemOf(thrown), busy: false }));
        }
      }),
    [],
  );
  const said = JSON.stringify(question);
  useEffect(() => {
    const asked = JSON.parse(said) as Question | null;
    if (asked !== null) flight.offer(asked);
  }, [said, flight]);
  return state;
}
