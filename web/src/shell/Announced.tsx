/** What one's own edits, undo and redo have come to, for who does not see it: what is shown tells it to all others. */
import { VisuallyHidden } from "@chakra-ui/react";
import { useEffect, useRef, useState } from "react";
import { useKnown } from "../workspace/hooks";

export function Announced() {
  const undo = useKnown(({ parts }) => parts?.head?.undo ?? null);
  const redo = useKnown(({ parts }) => parts?.head?.redo ?? null);
  const latest = useKnown(({ parts }) => parts?.head?.latest ?? null);
  const open = useKnown(({ parts }) => parts?.head !== undefined);
  const before = useRef<{ undo: string | null; redo: string | null; latest: string | null } | null>(null);
  const [words, setWords] = useState("");
  useEffect(() => {
    const was = before.current;
    before.current = open ? { undo, redo, latest } : null;
    if (!was || !open) return;
    if (latest !== was.latest && latest) setWords(`${latest} is published.`);
    else if (redo && redo === was.undo && redo !== was.redo) setWords(`Undone: ${redo}.`);
    else if (undo && undo === was.redo && undo !== was.undo) setWords(`Redone: ${undo}.`);
    else if (undo && undo !== was.undo) setWords(`Kept: ${undo}.`);
  }, [undo, redo, latest, open]);
  return (
    <VisuallyHidden role="status" data-testid="announced">
      {words}
    </VisuallyHidden>
  );
}
