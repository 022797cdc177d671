/** Removing something that is in no document's history: it is gone from sight at once, and from the server only a while
 * later, so that it can be brought back until then. */
import { useCallback, useState } from "react";
import { useWorkspace } from "./hooks";

const BACK_MS = 12_000;

export function useRemoval() {
  const { tell, store } = useWorkspace();
  const [gone, setGone] = useState<ReadonlySet<number>>(new Set());
  /** `remove` asks the server; it is also asked when the window is left. */
  const remove = useCallback(
    (id: number, name: string, send: () => Promise<unknown>) => {
      const show = (is: boolean) =>
        setGone((before) => {
          const next = new Set(before);
          if (is) next.delete(id);
          else next.add(id);
          return next;
        });
      const words = `“${name}” is removed. It can be brought back for ${BACK_MS / 1000} seconds.`;
      let open = true;
      const end = () => {
        open = false;
        clearTimeout(waiting);
        window.removeEventListener("pagehide", finish);
        if (store.getState().notice?.words === words) tell(null);
      };
      const finish = () => {
        if (!open) return;
        end();
        send().catch((thrown: Error) => {
          show(true);
          tell({ words: thrown.message, actions: [] });
        });
      };
      const waiting = setTimeout(finish, BACK_MS);
      window.addEventListener("pagehide", finish);
      show(false);
      tell({
        words,
        actions: [
          {
            words: `Bring ${name} back`,
            act: () => {
              end();
              show(true);
            },
          },
          { words: "Remove it now", act: finish },
        ],
      });
    },
    [tell, store],
  );
  return { gone, remove };
}
