/** One axis of L* for two colors: each as a mark to drag, over it where it would pass, and the room to spare. */
import { Box, Flex, Text } from "@chakra-ui/react";
import { type KeyboardEvent, useRef } from "react";
import type { TwoColorsView } from "../../../api/client";
import { type DragPoint, useDrag, within } from "../../../util/useDrag";
import styles from "./axis.module.css";

type SideName = "one" | "other";
/** Where a color has been moved to: its hue and chroma stay while it passes through white and black. */
export type Aim = { lightness: number; chroma: number; hue: number };
interface Props {
  answer: TwoColorsView;
  /** Where they have been moved to, which the answer may not know yet: every press goes on from there. */
  aims: Record<SideName, Aim | null>;
  onMove: (side: SideName) => (change: Partial<Aim>) => void;
}

const SIDES: { name: SideName; words: string }[] = [
  { name: "one", words: "foreground" },
  { name: "other", words: "ground" },
];

export function LightnessAxis({ answer, aims, onMove }: Props) {
  return (
    <Box className={styles.axis} data-sample data-testid="axis">
      {SIDES.map(({ name, words }) => (
        <Row
          key={name}
          words={words}
          side={answer[name]}
          light={aims[name]?.lightness ?? answer[name].light}
          onMove={onMove(name)}
        />
      ))}
      <Flex className={styles.scale} aria-hidden>
        {[0, 20, 40, 60, 80, 100].map((light) => (
          <span key={light} style={{ left: `${light}%` }}>
            {light}
          </span>
        ))}
      </Flex>
    </Box>
  );
}

interface RowProps {
  words: string;
  side: TwoColorsView["one"];
  light: number;
  onMove: (change: Partial<Aim>) => void;
}

function Row({ words, side, light, onMove }: RowProps) {
  const track = useRef<HTMLDivElement>(null);
  const follow = (_: null, { across }: DragPoint) =>
    onMove({ lightness: Math.round(within(across) * 1000) / 10 });
  const drag = useDrag<null>(track, { begin: follow, move: follow });
  const keys = (event: KeyboardEvent) => {
    const by = { ArrowLeft: -1, ArrowDown: -1, ArrowRight: 1, ArrowUp: 1 }[event.key];
    if (by === undefined) return;
    event.preventDefault();
    event.stopPropagation();
    onMove({ lightness: Math.min(Math.max(light + by * (event.shiftKey ? 10 : 1), 0), 100) });
  };
  const body = side.passes.find((each) => each.level === "4.5");
  return (
    <div className={styles.row}>
      <Text fontSize="12px" className={styles.words}>
        {words}
      </Text>
      <div ref={track} className={styles.track} {...drag.grab(null)}>
        {side.passes.map((each) => (
          <Passing key={each.level} interval={each} />
        ))}
        <div
          role="slider"
          tabIndex={0}
          aria-label={`Lightness of the ${words}`}
          aria-valuemin={0}
          aria-valuemax={100}
          aria-valuenow={light}
          aria-valuetext={`L* ${light.toFixed(1)}${body ? `, ${body.room}` : ""}`}
          className={styles.mark}
          style={{ left: `${light}%`, background: side.seen }}
          onKeyDown={keys}
        />
      </div>
      <Text fontSize="12px" className={styles.room}>
        {body?.room} for 4.5
      </Text>
    </div>
  );
}

/** Where a level begins to be reached: ticks on the axis, each with its level; a line from the tick to the end that
 * passes, so that it is seen on which side of it. */
function Passing({ interval }: { interval: TwoColorsView["one"]["passes"][number] }) {
  const { level, dark, light } = interval;
  return (
    <>
      {dark !== null && (
        <i className={styles.dark} data-level={level} style={{ width: `${dark}%` }}>
          {level}
        </i>
      )}
      {light !== null && (
        <i className={styles.light} data-level={level} style={{ left: `${light}%` }}>
          {level}
        </i>
      )}
    </>
  );
}
