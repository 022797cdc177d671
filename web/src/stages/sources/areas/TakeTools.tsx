/** What may be done with the colors that are taken in a work area: into the set at once, or beside it for a while. */
import type { ReactNode } from "react";
import { ToolButton } from "../../../components/ToolButton";
import { counted, type FoundColor, useAdding } from "../adding";

interface Props {
  taken: FoundColor[];
  busy?: boolean;
  /** Other ways to add them. */
  children?: ReactNode;
  onDone?: () => void;
}

export function TakeTools({ taken, busy = false, children, onDone }: Props) {
  const { add, wait } = useAdding();
  const count = taken.length;
  const send = (act: typeof add) => void act(taken).then((done) => done && onDone?.());
  return (
    <>
      <ToolButton disabled={count === 0 || busy} onClick={() => send(add)}>
        Add {count === 0 ? "hues" : counted(count, "hue")}
      </ToolButton>
      {children}
      <ToolButton disabled={count === 0 || busy} onClick={() => send(wait)}>
        Let {count === 0 ? "them" : count === 1 ? "it" : count} wait
      </ToolButton>
    </>
  );
}
