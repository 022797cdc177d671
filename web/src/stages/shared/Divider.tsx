/** What divides a sheet from its work area: dragged or moved by keys, remembered by area; Backspace or a double click
 * lets the area take what it needs again. */
import { type KeyboardEvent, type RefObject, useRef } from "react";
import { useDrag } from "../../util/useDrag";
import styles from "./divider.module.css";
import { useRoom } from "./useRoom";

const STEP = 0.05;

interface Props {
  title: string;
  /** The work area's own box, whose height is set. */
  box: RefObject<HTMLElement | null>;
}

export function Divider({ title, box }: Props) {
  const { share, put, takes, least, most } = useRoom();
  const whole = () => box.current?.parentElement?.clientHeight || 1;
  const now = () => share ?? (box.current?.clientHeight ?? 0) / whole();
  const before = useRef<number | null>(null);
  // What both share is known once they are drawn.
  const both = {
    get current() {
      return box.current?.parentElement ?? null;
    },
  };
  const { grab, release } = useDrag<null>(both, {
    begin: () => {
      before.current = share ?? null;
    },
    move: (_, at) => put(1 - at.down),
    cancel: () => put(before.current),
  });
  const onKeyDown = (event: KeyboardEvent) => {
    const moved: Record<string, number | null> = {
      ArrowUp: now() + STEP,
      ArrowDown: Math.min(now(), most) - STEP,
      Home: 1,
      End: least,
      Backspace: null,
    };
    if (event.key === "Escape" && release()) put(before.current);
    else if (event.key in moved) put(moved[event.key] ?? null);
    else return;
    event.preventDefault();
    event.stopPropagation();
  };
  return (
    <div
      role="separator"
      aria-orientation="horizontal"
      aria-label={`Height of ${title}`}
      aria-valuemin={least * 100}
      aria-valuemax={most * 100}
      aria-valuenow={Math.round((share ?? (takes ? most : 0.5)) * 100)}
      aria-valuetext={
        share === undefined
          ? takes
            ? "the sheet, but for a strip"
            : "as it needs"
          : `${Math.round(share * 100)} % of the sheet`
      }
      tabIndex={0}
      className={styles.divider}
      {...grab(null)}
      onDoubleClick={() => put(null)}
      onKeyDown={onKeyDown}
    />
  );
}
