/** What may be done with the colors that are taken in a work area: into the set at once, or beside it for a while. */
import { type ReactNode, useRef } from "react";
import { ToolButton } from "../../../components/ToolButton";
import { useOnce } from "../../../util/useOnce";
import { useNow, useWorkspace } from "../../../workspace/hooks";
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
  const { say } = useWorkspace();
  const now = useNow();
  const count = taken.length;
  // What was added last, and the ids that it got: the same is not added again while it is there.
  const last = useRef<{ what: string; ids: string[] } | null>(null);
  const ids = () => [...(now().hues ?? []), ...(now().candidates ?? [])].map(({ id }) => id);
  const send = useOnce(async (act: typeof add) => {
    const what = JSON.stringify(taken.map(({ color, source }) => [color, source]));
    const before = ids();
    if (
      last.current?.what === what &&
      last.current.ids.length > 0 &&
      last.current.ids.every((id) => before.includes(id))
    ) {
      say(`${count === 1 ? "That one is" : "Those are"} added already: choose others, or undo.`);
      return;
    }
    if (!(await act(taken))) return;
    last.current = { what, ids: ids().filter((id) => !before.includes(id)) };
    onDone?.();
  });
  return (
    <>
      <ToolButton disabled={count === 0 || busy} onClick={() => void send(add)}>
        Add {count === 0 ? "hues" : counted(count, "hue")}
      </ToolButton>
      {children}
      <ToolButton disabled={count === 0 || busy} onClick={() => void send(wait)}>
        Let {count === 0 ? "them" : count === 1 ? "it" : count} wait
      </ToolButton>
    </>
  );
}
