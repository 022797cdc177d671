/** One picture with all that can be taken from it. */

import { Box, Flex, Text } from "@chakra-ui/react";
import { type ReactNode, useState } from "react";
import { client, data, type PictureView, type SampleView } from "../../../../api/client";
import { ALIKE } from "../../../../api/constants.generated";
import { Range } from "../../../../components/Range";
import { useInterface } from "../../../../workspace/interface";
import { useLook, useSeeing } from "../../../../workspace/look";
import { useLatest } from "../../../../workspace/useLatest";
import { Area } from "../../../shared/Area";
import { useAdding } from "../../adding";
import { TakeTools } from "../TakeTools";
import { AreaTools } from "./AreaTools";
import { Canvas, type Rect } from "./Canvas";
import { type Found, MainColors, type Named } from "./MainColors";
import { Taken } from "./Taken";

interface Props {
  picture: PictureView;
  tools: ReactNode;
  progress: ReactNode;
}

export function PictureDesk({ picture, tools, progress }: Props) {
  const slug = useLook((at) => at.slug);
  const seeing = useSeeing();
  const { notation } = useInterface();
  const { add, wait } = useAdding();
  const [wanted, setWanted] = useState({ count: 6, strength: 0.5, span: 0.5 });
  const [without, setWithout] = useState<Rect[]>([]);
  const [withoutColors, setWithoutColors] = useState<string[]>([]);
  const [alike, setAlike] = useState<number>(ALIKE);
  const [named, setNamed] = useState<Record<number, Named>>({});
  const [chosen, setChosen] = useState<number | null>(null);
  const [again, setAgain] = useState<Record<number, SampleView>>({});
  const [out, setOut] = useState<ReadonlySet<number>>(new Set());
  const [cross, setCross] = useState<{ x: number; y: number } | null>(null);
  const [radius, setRadius] = useState(0);
  const [marked, setMarked] = useState<Rect | null>(null);

  const path = { slug, picture: picture.id };
  const question = { ...wanted, without, without_colors: withoutColors, alike, notation, ...seeing };
  const { answer, problem, busy } = useLatest(question, (body) =>
    data(
      client.POST("/api/systems/{slug}/pictures/{picture}/main-colors", {
        params: { path },
        body,
      }),
    ),
  );
  const sampling = cross ? { ...cross, radius, notation, ...seeing } : null;
  const sample = useLatest(sampling, (at) =>
    data(client.GET("/api/systems/{slug}/pictures/{picture}/sample", { params: { path, query: at } })),
  );
  const taken = cross ? sample.answer : null;

  /** What is asked anew makes other colors: what was chosen among the old ones is over. */
  const ask = (change: () => void) => {
    change();
    setChosen(null);
    setAgain({});
    setOut(new Set());
    setNamed({});
  };
  // Where nothing is left to be looked at, nothing is told of what was there before.
  const colors: Found[] = (problem ? [] : (answer?.colors ?? [])).map((color, place) => {
    const other = again[place];
    return other ? { ...color, ...other, again: true } : color;
  });
  // What the system has already is left out, until somebody wants it all the same.
  const isOut = (place: number) => out.has(place) !== (colors[place]?.near?.same ?? false);
  const kept = colors
    .map((color, place) => ({ ...named[place], color: color.hex, note: `from ${picture.name}` }))
    .filter((_, place) => !isOut(place));
  const found = (some: { hex: string }[]) =>
    some.map((color) => ({ color: color.hex, note: `from ${picture.name}` }));
  const choose = (place: number | null) => {
    setChosen(place);
    const color = place === null ? null : colors[place];
    setCross(color ? { x: color.x, y: color.y } : null);
  };
  const takeAgain = () => {
    if (taken && chosen !== null) setAgain({ ...again, [chosen]: taken });
  };
  return (
    <Area
      title="From a picture"
      tools={
        <>
          {tools}
          <Range
            label="Colors"
            value={wanted.count}
            low={3}
            high={12}
            step={1}
            places={0}
            width="70px"
            onChange={(count) => ask(() => setWanted({ ...wanted, count }))}
          />
          <Range
            label="Prefer"
            ends={["area", "strength"]}
            value={wanted.strength}
            low={0}
            high={1}
            step={0.05}
            places={2}
            width="70px"
            onChange={(strength) => ask(() => setWanted({ ...wanted, strength }))}
          />
          <Range
            label="Lightness"
            of="of the main colors"
            ends={["one", "wide range"]}
            value={wanted.span}
            low={0}
            high={1}
            step={0.05}
            places={2}
            width="70px"
            onChange={(span) => ask(() => setWanted({ ...wanted, span }))}
          />
        </>
      }
      actions={<TakeTools taken={kept} busy={busy} />}
    >
      {progress}
      <Flex gap="16px" align="flex-start">
        <Canvas
          picture={picture}
          region={chosen === null ? null : { ...question, chosen }}
          cross={cross}
          radius={radius}
          marked={marked}
          without={without}
          onCross={setCross}
          onMark={setMarked}
          onTake={() => (chosen === null ? taken && void add(found([taken])) : takeAgain())}
        />
        <Box flex="1 1 250px" minWidth="240px">
          {problem && (
            <Text fontWeight="700" role="alert">
              {problem.message}
            </Text>
          )}
          {!answer && !problem && <Text>Finding the main colors</Text>}
          <MainColors
            colors={colors}
            chosen={chosen}
            out={new Set(colors.flatMap((_, place) => (isOut(place) ? [place] : [])))}
            named={named}
            onName={(place, mine) => setNamed({ ...named, [place]: mine })}
            onChoose={choose}
            onOut={(place) => {
              const next = new Set(out);
              if (!next.delete(place)) next.add(place);
              setOut(next);
            }}
            onLeaveOut={(color) => ask(() => setWithoutColors([...withoutColors, color.hex]))}
          />
          {withoutColors.length > 0 && (
            <Range
              label="Left out within, in OKLab"
              value={alike}
              low={0.01}
              high={0.3}
              step={0.01}
              places={2}
              width="80px"
              onChange={(within) => ask(() => setAlike(within))}
            />
          )}
          <Taken
            sample={taken}
            problem={sample.problem?.message ?? null}
            radius={radius}
            onRadius={setRadius}
            replacing={chosen === null ? null : (colors[chosen]?.hex ?? null)}
            onTakeAgain={takeAgain}
            onAdd={(color) => void add(found([color]))}
            onWait={(color) => void wait(found([color]))}
          />
          <AreaTools
            picture={picture}
            marked={marked}
            onMark={setMarked}
            without={without.length + withoutColors.length}
            onLeaveOut={(area) => ask(() => setWithout([...without, area]))}
            onTakeBack={() =>
              ask(() => {
                setWithout([]);
                setWithoutColors([]);
              })
            }
          />
        </Box>
      </Flex>
    </Area>
  );
}
