/** Text on a picture: hatched where it could not stand, the block moved by mouse or keys, the figures live beside it. */
import { Grid, Input, Text } from "@chakra-ui/react";
import { type KeyboardEvent, useEffect, useRef, useState } from "react";
import { client, data, type PictureView, problemOf, type TextOnPictureView } from "../../../api/client";
import { Choice } from "../../../components/Choice";
import { NumberField } from "../../../components/NumberField";
import { Switch } from "../../../components/Switch";
import { ToolButton } from "../../../components/ToolButton";
import { draftKey, useDraft } from "../../../util/drafts";
import { useDrag } from "../../../util/useDrag";
import { usePart } from "../../../workspace/hooks";
import { useLook, useSeeing } from "../../../workspace/look";
import { useLatest } from "../../../workspace/useLatest";
import { Area } from "../../shared/Area";
import { NoPicture } from "./NoPicture";
import { PictureTools } from "./PictureTools";
import { TextFigures } from "./TextFigures";
import styles from "./text.module.css";
import { usePictures } from "./usePictures";

export function TextArea() {
  const { pictures, picture, known } = usePictures();
  if (!picture) return <NoPicture way="text-on-picture" known={known} />;
  return <Desk key={picture.id} picture={picture} pictures={pictures} />;
}

const WIDTHS = [1280, 768, 390];
const LEVELS = [
  { value: "4.5", words: "body text, 4.5" },
  { value: "3", words: "large text, 3" },
  { value: "7", words: "enhanced, 7" },
];
/** A line of text is about so much higher than its letters. */
const LINE = 1.35;
const RESTED_MS = 250;
const MOVES: Record<string, [number, number]> = {
  ArrowLeft: [-0.01, 0],
  ArrowRight: [0.01, 0],
  ArrowUp: [0, -0.01],
  ArrowDown: [0, 0.01],
};
const share = (value: number) => Math.min(Math.max(value, 0), 1);

function Desk({ picture, pictures }: { picture: PictureView; pictures: PictureView[] }) {
  const slug = useLook((at) => at.slug);
  const seeing = useSeeing();
  const revision = usePart("head", (head) => head.revision);
  const theme = usePart("head", (head) => head.theme?.id ?? null);
  const [text, setText] = useDraft(draftKey("text-on-picture", slug));
  const [color, setColor] = useDraft(draftKey("text-on-picture-color", slug));
  const [size, setSize] = useState(24);
  const [bold, setBold] = useState(true);
  const [level, setLevel] = useState("4.5");
  const [most, setMost] = useState(0);
  const [at, setAt] = useState({ across: 0.1, down: 0.8 });
  const [lost, setLost] = useState("");
  const [helps, setHelps] = useState(false);
  const words = text || "Departs in 12 min";
  const ink = color || "#FFFFFF";
  const block = useBlock(words, size, bold);
  const boxHeight = Math.min(Math.round((WIDTHS[0] ?? 1280) * (picture.height / picture.width)), 520);
  const question = { ...block, ...at, ink, level, most, helps, seeing, theme, revision };
  const ask = (asked: typeof question, find = false) =>
    data(
      client.POST("/api/systems/{slug}/pictures/{picture}/text", {
        params: { path: { slug, picture: picture.id } },
        body: {
          ...asked.seeing,
          theme: asked.theme,
          color: asked.ink,
          level: Number(asked.level),
          width: asked.width,
          height: asked.height,
          across: asked.across,
          down: asked.down,
          box_height: boxHeight,
          box_widths: WIDTHS,
          share: asked.most / 100,
          find,
          helps: asked.helps,
        },
      }),
    );
  const { answer, problem } = useLatest(question, (asked) => ask(asked));
  const findPlace = async () => {
    try {
      const { across, down } = await ask(question, true);
      setAt({ across, down });
      setLost("");
    } catch (thrown) {
      setLost(problemOf(thrown).message);
    }
  };
  // biome-ignore lint/correctness/useExhaustiveDependencies: every move begins the rest anew
  useEffect(() => {
    setHelps(false);
    const resting = setTimeout(() => setHelps(true), RESTED_MS);
    return () => clearTimeout(resting);
  }, [at, words, size, bold, ink, level, most]);
  const help = useHelp(answer);
  return (
    <Area
      title="Pictures"
      tools={
        <>
          <PictureTools way="text-on-picture" picture={picture} pictures={pictures} />
          <Typed label="Text" value={words} onType={setText} width="150px" />
          <Typed label="Its color" value={ink} onType={setColor} width="110px" />
          <NumberField
            label="Size of the text, px"
            value={size}
            low={8}
            high={200}
            step={1}
            places={0}
            unit="px"
            onCommit={setSize}
            onStep={setSize}
          />
          <Switch on={bold} onClick={() => setBold(!bold)}>
            Bold
          </Switch>
          <Choice label="Reaches" value={level} items={LEVELS} onChoose={setLevel} />
          <ToolButton onClick={() => void findPlace()}>Find the best place</ToolButton>
        </>
      }
    >
      {(problem || lost) && (
        <Text role="alert" fontSize="12px" fontWeight="700">
          {problem?.message ?? lost}
        </Text>
      )}
      <Grid templateColumns="minmax(0, 1.8fr) minmax(0, 1fr)" gap="16px">
        <Stand
          slug={slug}
          picture={picture}
          answer={answer}
          level={level}
          at={at}
          block={block}
          boxHeight={boxHeight}
          words={words}
          size={size}
          bold={bold}
          onMove={(next) => setAt({ across: share(next.across), down: share(next.down) })}
        />
        {answer && (
          <TextFigures
            answer={answer}
            help={help}
            level={level}
            most={most}
            onMost={setMost}
            onColor={setColor}
          />
        )}
      </Grid>
    </Area>
  );
}

/** What would help, of the last answer that told it: it stays while the block is moved, and is renewed at rest. */
function useHelp(answer: TextOnPictureView | null) {
  const [known, setKnown] = useState<TextOnPictureView | null>(null);
  if (answer && answer.scrims.length > 0 && answer !== known) setKnown(answer);
  return known;
}

function Typed(props: { label: string; value: string; onType: (text: string) => void; width: string }) {
  const [draft, setDraft] = useState<string | null>(null);
  return (
    <Input
      aria-label={props.label}
      title={props.label}
      size="2xs"
      height="26px"
      width={props.width}
      fontSize="13px"
      borderColor="border.emphasized"
      value={draft ?? props.value}
      maxLength={120}
      autoComplete="off"
      spellCheck={false}
      onChange={(event) => {
        setDraft(event.target.value);
        if (event.target.value.trim() !== "") props.onType(event.target.value);
      }}
      onBlur={() => setDraft(null)}
    />
  );
}

/** How large the text is on the page, in CSS pixels, as this browser sets it. */
function useBlock(words: string, size: number, bold: boolean) {
  const [block, setBlock] = useState({ width: 200, height: 32 });
  useEffect(() => {
    const pen = document.createElement("canvas").getContext("2d");
    if (!pen) return;
    pen.font = `${bold ? 700 : 400} ${size}px ${getComputedStyle(document.body).fontFamily}`;
    setBlock({ width: Math.max(Math.ceil(pen.measureText(words).width), 1), height: Math.ceil(size * LINE) });
  }, [words, size, bold]);
  return block;
}

interface StandProps {
  slug: string;
  picture: PictureView;
  answer: TextOnPictureView | null;
  level: string;
  at: { across: number; down: number };
  block: { width: number; height: number };
  boxHeight: number;
  words: string;
  size: number;
  bold: boolean;
  onMove: (at: { across: number; down: number }) => void;
}

/** The picture as it covers its box at the widest page, hatched where the text could not stand, the text on it. */
function Stand(props: StandProps) {
  const { slug, picture, answer, level, at, block, boxHeight, words, size, bold, onMove } = props;
  const room = useRef<HTMLDivElement>(null);
  const width = WIDTHS[0] ?? 1280;
  const path = `/api/systems/${slug}/pictures/${picture.id}`;
  const map = answer ? `${path}/text-map?color=${encodeURIComponent(answer.color.hex)}&level=${level}` : null;
  /** The block as it stands before a drag; a share of the room beside it is all that it can move by. */
  const drag = useDrag<{ across: number; down: number }>(room, {
    move: (before, to, from) =>
      onMove({
        across: before.across + ((to.across - from.across) * width) / Math.max(width - block.width, 1),
        down: before.down + ((to.down - from.down) * boxHeight) / Math.max(boxHeight - block.height, 1),
      }),
  });
  const keys = (event: KeyboardEvent) => {
    const move = MOVES[event.key];
    if (!move) return;
    event.preventDefault();
    event.stopPropagation();
    const by = event.shiftKey ? 10 : 1;
    onMove({ across: at.across + move[0] * by, down: at.down + move[1] * by });
  };
  const percent = (part: number, of: number) => `${(100 * part) / of}%`;
  return (
    <div ref={room} className={styles.room} data-sample style={{ aspectRatio: `${width} / ${boxHeight}` }}>
      <img src={`${path}/view`} alt={picture.name} className={styles.cover} draggable={false} />
      {map && <img src={map} alt="" className={styles.cover} draggable={false} data-testid="text-map" />}
      <div
        role="group"
        // biome-ignore lint/a11y/noNoninteractiveTabindex: arrows move it
        tabIndex={0}
        aria-label={`The text, ${Math.round(at.across * 100)} % across, ${Math.round(at.down * 100)} % down. Arrows move it.`}
        data-testid="text-block"
        className={styles.block}
        style={{
          left: `calc((100% - ${percent(block.width, width)}) * ${at.across})`,
          top: `calc((100% - ${percent(block.height, boxHeight)}) * ${at.down})`,
          width: percent(block.width, width),
          height: percent(block.height, boxHeight),
        }}
        onKeyDown={keys}
        {...drag.grab(at)}
      >
        <svg viewBox={`0 0 ${block.width} ${block.height}`} width="100%" height="100%" aria-hidden>
          <text
            y={size}
            fontSize={size}
            fontWeight={bold ? 700 : 400}
            fill={answer?.color.seen ?? "#FFFFFF"}
            textLength={block.width}
          >
            {words}
          </text>
        </svg>
      </div>
    </div>
  );
}
