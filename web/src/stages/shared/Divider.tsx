/** What divides a sheet from its work area: dragged or moved by keys, remembered by area; Backspace or a double click
 * lets the area take what it needs again. */
import { type KeyboardEvent, type RefObject, useRef } from "react";
import { useDrag } from "../../util/useDrag";
import { useInterface } from "../../workspace/interface";
import styles from "./divider.module.css";

const LEAST = 0.2;
/** A strip of what the area changes stays in sight. */
const MOST = 0.88;
const STEP = 0.05;

export function useAreaHeight(area: string) {
  const share = useInterface((state) => state.areaHeights[area]);
  const put = (wanted: number | null) => {
    const { areaHeights, set } = useInterface.getState();
    const { [area]: _, ...others } = areaHeights;
    const held = wanted === null ? {} : { [area]: Math.min(Math.max(wanted, LEAST), MOST) };
    set({ areaHeights: { ...others, ...held } });
  };
  return { share, put };
}

interface Props {
  area: string;
  title: string;
  /** The work area's own box, whose height is set. */
  box: RefObject<HTMLElement | null>;
}

export function Divider({ area, title, box }: Props) {
  const { share, put } = useAreaHeight(area);
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
      ArrowDown: now() - STEP,
      Home: MOST,
      End: LEAST,
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
      aria-valuemin={LEAST * 100}
      aria-valuemax={MOST * 100}
      aria-valuenow={Math.round((share ?? 0.5) * 100)}
      aria-valuetext={share === undefined ? "as it needs" : `${Math.round(share * 100)} % of the sheet`}
      tabIndex={0}
      className={styles.divider}
      {...grab(null)}
      onDoubleClick={() => put(null)}
      onKeyDown={onKeyDown}
    />
  );
}
