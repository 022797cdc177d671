/** All hues from 0 to 360 degrees as one straight strip, with marks on it; marks can be moved where they may. */
import { type KeyboardEvent, type RefObject, useRef } from "react";
import { useDrag, within } from "../../../util/useDrag";
import styles from "./hueStrip.module.css";

export interface StripMark {
  key: string;
  angle: number;
  words: string;
  /** The given hues stand taller than what is found for them. */
  given?: boolean;
  chosen?: boolean;
  seen: string;
  ghost?: boolean;
}

interface Props {
  colors: string[];
  marks: StripMark[];
  label: string;
  /** The highest chroma at each color, as a share of the strip's height, drawn as a profile. */
  profile?: number[];
  /** Shares of the height at which lines are drawn across, with words. */
  lines?: { at: number; words: string; dashed?: boolean }[];
  onMove?: (key: string, angle: number) => void;
  onPress?: (key: string) => void;
}

const left = (angle: number) => `${(((angle % 360) + 360) % 360) / 3.6}%`;

export function HueStrip({ colors, marks, label, profile, lines, onMove, onPress }: Props) {
  const track = useRef<HTMLDivElement>(null);
  return (
    <div className={styles.strip} role="group" aria-label={label}>
      <div ref={track} className={styles.track}>
        <div
          className={styles.colors}
          style={{
            background: `linear-gradient(90deg, ${colors
              .map(
                (color, place) =>
                  `${color} ${(100 * place) / colors.length}% ${(100 * (place + 1)) / colors.length}%`,
              )
              .join(", ")})`,
          }}
        />
        {profile && <Profile shares={profile} />}
        {lines?.map((line) => (
          <span
            key={line.words}
            className={line.dashed ? styles.dashed : styles.line}
            style={{ bottom: `${Math.min(line.at, 1) * 100}%` }}
          >
            <span className={line.dashed ? styles.right : styles.left}>{line.words}</span>
          </span>
        ))}
        {marks.map((mark) => {
          if (mark.ghost) return <Ghost key={mark.key} mark={mark} />;
          if (mark.given) return <Given key={mark.key} mark={mark} />;
          if (onMove)
            return (
              <Movable key={mark.key} mark={mark} track={track} onMove={(angle) => onMove(mark.key, angle)} />
            );
          return <Pressable key={mark.key} mark={mark} onPress={() => onPress?.(mark.key)} />;
        })}
      </div>
    </div>
  );
}

const placed = (mark: StripMark) => ({ left: left(mark.angle), background: mark.seen });

/** Where the same partner stands on the other circle. */
function Ghost({ mark }: { mark: StripMark }) {
  return <span className={styles.ghost} title={mark.words} style={{ left: left(mark.angle) }} />;
}

function Given({ mark }: { mark: StripMark }) {
  return <span className={styles.given} role="img" aria-label={mark.words} style={placed(mark)} />;
}

function Pressable({ mark, onPress }: { mark: StripMark; onPress: () => void }) {
  return (
    <button
      type="button"
      aria-label={mark.words}
      aria-pressed={mark.chosen ?? false}
      className={styles.mark}
      data-mark={mark.key}
      style={placed(mark)}
      onClick={onPress}
    >
      {mark.chosen && <span className={styles.chosen} />}
    </button>
  );
}

interface MovableProps {
  mark: StripMark;
  track: RefObject<HTMLDivElement | null>;
  onMove: (angle: number) => void;
}

function Movable({ mark, track, onMove }: MovableProps) {
  const drag = useDrag<null>(track, { move: (_, { across }) => onMove(within(across) * 360) });
  const onKeyDown = (event: KeyboardEvent) => {
    const by = event.shiftKey ? 10 : 1;
    const way = { ArrowRight: by, ArrowUp: by, ArrowLeft: -by, ArrowDown: -by }[event.key];
    if (!way) return;
    onMove((mark.angle + way + 360) % 360);
    event.preventDefault();
  };
  return (
    <div
      role="slider"
      tabIndex={0}
      aria-label={mark.words}
      aria-valuenow={Math.round(mark.angle)}
      aria-valuemin={0}
      aria-valuemax={360}
      className={styles.mark}
      data-mark={mark.key}
      style={placed(mark)}
      {...drag.grab(null)}
      onKeyDown={onKeyDown}
    >
      {mark.chosen && <span className={styles.chosen} />}
    </div>
  );
}

/** What the gamut holds: the part of the strip above it is covered. */
function Profile({ shares }: { shares: number[] }) {
  const wide = 100 / shares.length;
  const points = shares.map((share, place) => `${(place + 0.5) * wide},${100 - share * 100}`);
  return (
    <svg className={styles.profile} viewBox="0 0 100 100" preserveAspectRatio="none" aria-hidden="true">
      <polygon
        points={`0,0 100,0 100,${100 - (shares.at(-1) ?? 0) * 100} ${[...points].reverse().join(" ")} 0,${100 - (shares[0] ?? 0) * 100}`}
      />
      <polyline points={points.join(" ")} vectorEffect="non-scaling-stroke" />
    </svg>
  );
}
