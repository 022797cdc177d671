/** A loupe beside the pointer: the picture under it, eight times as large, pixel by pixel. */
import styles from "./canvas.module.css";

const TIMES = 8;
const SIZE = 120;
const AWAY = 18;

interface Props {
  address: string;
  width: number;
  height: number;
  /** The pixel under the pointer. */
  at: { x: number; y: number };
  /** Where the pointer is in the window. */
  pointer: { x: number; y: number };
}

export function Loupe({ address, width, height, at, pointer }: Props) {
  const shift = (pixel: number) => SIZE / 2 - (pixel + 0.5) * TIMES;
  const left = pointer.x + AWAY + SIZE > window.innerWidth ? pointer.x - AWAY - SIZE : pointer.x + AWAY;
  const top = pointer.y + AWAY + SIZE > window.innerHeight ? pointer.y - AWAY - SIZE : pointer.y + AWAY;
  return (
    <span
      className={styles.loupe}
      data-testid="loupe"
      aria-hidden="true"
      style={{
        left,
        top,
        width: SIZE,
        height: SIZE,
        backgroundImage: `url("${address}")`,
        backgroundPosition: `${shift(at.x)}px ${shift(at.y)}px`,
        backgroundSize: `${width * TIMES}px ${height * TIMES}px`,
      }}
    >
      <span className={styles.pixel} style={{ width: TIMES, height: TIMES }} />
    </span>
  );
}
