/** The picture itself: a crosshair by mouse or arrows, areas by dragging, all but the chosen region dimmed. */

import { type KeyboardEvent, type PointerEvent, useEffect, useRef, useState } from "react";
import type { PictureView } from "../../../../api/client";
import { type DragPoint, pointIn, useDrag } from "../../../../util/useDrag";
import { useLook, useSeeing } from "../../../../workspace/look";
import styles from "./canvas.module.css";
import { Loupe } from "./Loupe";

export interface Rect {
  x: number;
  y: number;
  width: number;
  height: number;
}

interface Props {
  picture: PictureView;
  /** What the region of the chosen color is asked with; null dims nothing. */
  region: object | null;
  cross: { x: number; y: number } | null;
  radius: number;
  marked: Rect | null;
  without: Rect[];
  onCross: (at: { x: number; y: number }) => void;
  onMark: (area: Rect | null) => void;
  onTake: () => void;
}

/** Pixels of the screen that a pointer may move and still have only clicked. */
const STILL = 4;
const ARMS = [0, 90, 180, 270];
const WIDE = 640;
const TALL = 390;
/** The least that a side is shown at. */
const NARROWEST = 96;

export function Canvas(props: Props) {
  const { picture, region, cross, radius, marked, without, onCross, onMark, onTake } = props;
  const slug = useLook((at) => at.slug);
  const seeing = useSeeing();
  const frame = useRef<HTMLDivElement>(null);
  /** Whether what was begun is an area already, and no click. */
  const marking = useRef(false);
  // A long and narrow picture is shown wide enough to be pointed into, and scrolled.
  const whole = Math.min(WIDE / picture.width, TALL / picture.height);
  const scale = Math.max(whole, NARROWEST / Math.min(picture.width, picture.height));
  const [hovered, setHovered] = useState<{ x: number; y: number; at: { x: number; y: number } } | null>(null);
  const base = `/api/systems/${encodeURIComponent(slug)}/pictures/${picture.id}`;
  const dimming = useRegion(`${base}/region`, region);

  const pixelAt = ({ across, down }: { across: number; down: number }) => ({
    x: Math.min(Math.max(Math.floor(across * picture.width), 0), picture.width - 1),
    y: Math.min(Math.max(Math.floor(down * picture.height), 0), picture.height - 1),
  });
  const mark = (_: null, point: DragPoint, began: DragPoint) => {
    const [from, to] = [pixelAt(began), pixelAt(point)];
    const far = Math.max(Math.abs(to.x - from.x), Math.abs(to.y - from.y)) * scale;
    if (!marking.current && far < STILL) return;
    marking.current = true;
    onMark({
      x: Math.min(from.x, to.x),
      y: Math.min(from.y, to.y),
      width: Math.abs(to.x - from.x) + 1,
      height: Math.abs(to.y - from.y) + 1,
    });
  };
  const drag = useDrag<null>(frame, {
    begin: () => {
      frame.current?.focus({ preventScroll: true });
      marking.current = false;
    },
    move: mark,
    end: (_, point) => {
      if (!marking.current) onCross(pixelAt(point));
    },
  });
  const handlers = drag.grab(null);
  const onPointerMove = (event: PointerEvent<HTMLDivElement>) => {
    const point = pointIn(event.currentTarget, event);
    setHovered(
      event.pointerType === "touch" ? null : { x: event.clientX, y: event.clientY, at: pixelAt(point) },
    );
    handlers.onPointerMove(event);
  };
  const onKeyDown = (event: KeyboardEvent) => {
    const by = event.shiftKey ? 10 : 1;
    const way = { ArrowLeft: [-by, 0], ArrowRight: [by, 0], ArrowUp: [0, -by], ArrowDown: [0, by] }[
      event.key
    ];
    if (way) {
      const from = cross ?? { x: Math.floor(picture.width / 2), y: Math.floor(picture.height / 2) };
      onCross({
        x: Math.min(Math.max(from.x + (way[0] ?? 0), 0), picture.width - 1),
        y: Math.min(Math.max(from.y + (way[1] ?? 0), 0), picture.height - 1),
      });
    } else if (event.key === "Enter") onTake();
    else return;
    event.preventDefault();
    event.stopPropagation();
  };
  const boxOf = (area: Rect) => ({
    left: area.x * scale,
    top: area.y * scale,
    width: area.width * scale,
    height: area.height * scale,
  });
  const vision = new URLSearchParams({ vision: seeing.vision ?? "typical", severity: `${seeing.severity}` });
  const address = `${base}/view?${vision}`;
  return (
    <div className={styles.room} style={{ maxWidth: WIDE, maxHeight: TALL }}>
      <div
        ref={frame}
        className={styles.frame}
        style={{ width: picture.width * scale, height: picture.height * scale }}
        role="group"
        aria-roledescription="picture to take colors from"
        aria-label={`${picture.name}. Arrows move the crosshair, with Shift by 10; Enter takes the color.`}
        // biome-ignore lint/a11y/noNoninteractiveTabindex: it is interactive, by pointer and by keys
        tabIndex={0}
        data-testid="canvas"
        data-scale={scale}
        {...handlers}
        onPointerMove={onPointerMove}
        onKeyDown={onKeyDown}
        onPointerLeave={() => setHovered(null)}
      >
        <img src={address} alt={picture.name} draggable={false} />
        {dimming && <img src={dimming} alt="" draggable={false} data-testid="dimming" />}
        {without.map((area) => (
          <span key={JSON.stringify(area)} className={styles.without} style={boxOf(area)} />
        ))}
        {marked && <span className={styles.marked} style={boxOf(marked)} />}
        {cross && (
          <span
            className={styles.cross}
            data-cross={`${cross.x},${cross.y}`}
            style={{ left: (cross.x + 0.5) * scale, top: (cross.y + 0.5) * scale }}
          >
            {ARMS.map((turn) => (
              <span
                key={turn}
                className={styles.arm}
                style={{ transform: `rotate(${turn}deg) translateX(${Math.max(radius * scale, 8) + 2}px)` }}
              />
            ))}
            {radius > 0 && (
              <span
                className={styles.circle}
                style={{ width: 2 * radius * scale, height: 2 * radius * scale }}
              />
            )}
          </span>
        )}
      </div>
      {hovered && (
        <Loupe
          address={address}
          width={picture.width}
          height={picture.height}
          at={hovered.at}
          pointer={hovered}
        />
      )}
    </div>
  );
}

/** The picture that dims everything but a region, as an address of this page; null until it is there. */
function useRegion(address: string, region: object | null): string | null {
  const [shown, setShown] = useState<string | null>(null);
  const asked = region ? JSON.stringify(region) : null;
  useEffect(() => {
    if (asked === null) {
      setShown(null);
      return;
    }
    const stop = new AbortController();
    let made: string | null = null;
    void fetch(address, {
      method: "POST",
      body: asked,
      headers: { "Content-Type": "application/json" },
      signal: stop.signal,
    })
      .then(async (answer) => {
        if (!answer.ok) return;
        made = URL.createObjectURL(await answer.blob());
        setShown(made);
      })
      // A region that does not come dims nothing; the colors themselves tell what is wrong.
      .catch(() => undefined);
    return () => {
      stop.abort();
      if (made) URL.revokeObjectURL(made);
    };
  }, [address, asked]);
  return shown;
}
