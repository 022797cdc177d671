/** Two points of a picture, or small areas around them, as the two colors: placed by clicks, moved by arrows. */
import { Box, Flex, Text } from "@chakra-ui/react";
import { type KeyboardEvent, type PointerEvent, useState } from "react";
import { client, data, type PictureView, problemOf } from "../../../api/client";
import { Choice } from "../../../components/Choice";
import { NumberField } from "../../../components/NumberField";
import { look, useLook } from "../../../workspace/look";
import styles from "./points.module.css";
import { usePictures } from "./usePictures";

export type SideName = "one" | "other";
type Point = { x: number; y: number };

const WORDS: Record<SideName, string> = { one: "foreground", other: "ground" };
const SIDES: SideName[] = ["one", "other"];
const MOVES: Record<string, [number, number]> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

export function PicturePoints({ onColor }: { onColor: (side: SideName, hex: string) => void }) {
  const { pictures, picture } = usePictures();
  if (!picture)
    return <Text fontSize="12px">No picture yet. Paste or drop one here; it stays with the system.</Text>;
  return (
    <Box marginBottom="8px">
      <Choice
        label="Picture"
        value={`${picture.id}`}
        items={pictures.map((each) => ({ value: `${each.id}`, words: each.name }))}
        onChoose={(id) => look({ picture: Number(id) })}
      />
      <Points key={picture.id} picture={picture} onColor={onColor} />
    </Box>
  );
}

function Points({
  picture,
  onColor,
}: {
  picture: PictureView;
  onColor: (side: SideName, hex: string) => void;
}) {
  const slug = useLook((at) => at.slug);
  const [points, setPoints] = useState<Record<SideName, Point | null>>({ one: null, other: null });
  const [radius, setRadius] = useState(0);
  const [next, setNext] = useState<SideName>("one");
  const [problem, setProblem] = useState("");
  const take = async (side: SideName, point: Point, around = radius) => {
    setPoints((before) => ({ ...before, [side]: point }));
    try {
      const taken = await data(
        client.GET("/api/systems/{slug}/pictures/{picture}/sample", {
          params: { path: { slug, picture: picture.id }, query: { ...point, radius: around } },
        }),
      );
      onColor(side, taken.hex);
      setProblem("");
    } catch (thrown) {
      setProblem(problemOf(thrown).message);
    }
  };
  const click = (event: PointerEvent<HTMLElement>) => {
    const box = event.currentTarget.getBoundingClientRect();
    const share = (at: number, from: number, size: number, most: number) =>
      Math.min(Math.max(Math.floor(((at - from) / size) * most), 0), most - 1);
    void take(next, {
      x: share(event.clientX, box.left, box.width, picture.width),
      y: share(event.clientY, box.top, box.height, picture.height),
    });
    setNext(next === "one" ? "other" : "one");
  };
  const keys = (side: SideName) => (event: KeyboardEvent) => {
    const move = MOVES[event.key];
    const at = points[side] ?? middle(picture);
    if (!move) return;
    event.preventDefault();
    event.stopPropagation();
    const by = event.shiftKey ? 10 : 1;
    const within = (value: number, most: number) => Math.min(Math.max(value, 0), most - 1);
    void take(side, {
      x: within(at.x + move[0] * by, picture.width),
      y: within(at.y + move[1] * by, picture.height),
    });
  };
  return (
    <Flex gap="12px" align="flex-start" marginTop="6px" fontSize="12px">
      <div
        className={styles.room}
        data-sample
        style={{ aspectRatio: `${picture.width} / ${picture.height}` }}
      >
        <img
          src={`/api/systems/${slug}/pictures/${picture.id}/view`}
          alt={picture.name}
          className={styles.picture}
          draggable={false}
          data-testid="points"
          onPointerDown={click}
        />
        {SIDES.map((side) => {
          const at = points[side] ?? middle(picture);
          return (
            <div
              key={side}
              role="group"
              // biome-ignore lint/a11y/noNoninteractiveTabindex: arrows move it
              tabIndex={0}
              aria-label={`Point of the ${WORDS[side]}: ${at.x} across, ${at.y} down. Arrows move it.`}
              className={`${styles.point} ${points[side] ? "" : styles.waiting}`}
              style={{
                left: `${(100 * (at.x + 0.5)) / picture.width}%`,
                top: `${(100 * (at.y + 0.5)) / picture.height}%`,
              }}
              onKeyDown={keys(side)}
            >
              <span>{WORDS[side]}</span>
            </div>
          );
        })}
      </div>
      <Flex direction="column" gap="6px">
        <Text>The next click takes the {WORDS[next]}.</Text>
        <Flex gap="6px" align="center">
          <Text>Around a point, px</Text>
          <NumberField
            label="Radius to average over, px"
            value={radius}
            low={0}
            high={200}
            step={1}
            places={0}
            onCommit={(value) => {
              setRadius(value);
              for (const side of SIDES) {
                const point = points[side];
                if (point) void take(side, point, value);
              }
            }}
          />
        </Flex>
        {problem && (
          <Text role="alert" fontWeight="700">
            {problem}
          </Text>
        )}
      </Flex>
    </Flex>
  );
}

const middle = (picture: PictureView): Point => ({
  x: Math.floor(picture.width / 2),
  y: Math.floor(picture.height / 2),
});
