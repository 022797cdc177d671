/** Even set: n hues of equal lightness and chroma from a start hue, or of equal HSL or HSB values and what that costs. */

import { Box, Flex, Text } from "@chakra-ui/react";
import { useState } from "react";
import { client, data, type EvenBody } from "../../../api/client";
import { CHROMA_END, FEWEST_EVEN, MOST_EVEN } from "../../../api/constants.generated";
import { Choice } from "../../../components/Choice";
import { Range } from "../../../components/Range";
import { Strip } from "../../../components/Strip";
import { ToolButton } from "../../../components/ToolButton";
import { useInterface } from "../../../workspace/interface";
import { useSeeing } from "../../../workspace/look";
import { useLatest } from "../../../workspace/useLatest";
import { Area } from "../../shared/Area";
import { HueStrip } from "./HueStrip";
import { TakeTools } from "./TakeTools";
import { useSource } from "./useSource";

type Space = NonNullable<EvenBody["space"]>;
const SPACES = [
  { value: "oklch", words: "lightness and chroma" },
  { value: "hsl", words: "HSL values" },
  { value: "hsb", words: "HSB values" },
] as const;
/** Room above the highest of what the strip shows. */
const HEAD = 1.12;

export function EvenArea() {
  const seeing = useSeeing();
  const { notation } = useInterface();
  const source = useSource();
  const [count, setCount] = useState(6);
  const [space, setSpace] = useState<Space>("oklch");
  const [lightness, setLightness] = useState<number | null>(null);
  const [strength, setStrength] = useState<number | null>(null);
  const [out, setOut] = useState<ReadonlySet<number>>(new Set());
  const [corrected, setCorrected] = useState(false);
  const question = source
    ? { start: source.exact, count, space, lightness, strength, notation, ...seeing }
    : null;
  const { answer } = useLatest(question, (body) => data(client.POST("/api/even-set", { body })));
  if (!source || !answer)
    return (
      <Area title="Even set">
        <Text>{source ? "Measuring the gamut" : "Add a hue first: an even set starts from one."}</Text>
      </Area>
    );
  const oklch = space === "oklch";
  const shown = corrected && answer.corrected.length > 0 ? answer.corrected : answer.colors;
  const taken = shown.filter((_, place) => !out.has(place));
  const found = taken.map((color) => ({ color: color.hex, note: `even set from ${source.name}` }));
  const top = HEAD * Math.max(...answer.limits, oklch ? answer.chroma : 0);
  const toggle = (place: number) => {
    const next = new Set(out);
    if (!next.delete(place)) next.add(place);
    setOut(next);
  };
  const [low = 0, high = 0] = answer.chroma_range;
  return (
    <Area
      title={`Even set from ${source.name}`}
      tools={
        <>
          <Choice
            label="Equal"
            value={space}
            items={SPACES}
            onChoose={(chosen) => {
              setSpace(chosen);
              setLightness(null);
              setStrength(null);
              setCorrected(false);
            }}
          />
          <Range
            label="Hues"
            value={count}
            low={FEWEST_EVEN}
            high={MOST_EVEN}
            step={1}
            places={0}
            width="80px"
            onChange={setCount}
          />
          <Range
            label={space === "hsb" ? "Brightness" : "Lightness"}
            of="of the even set"
            value={answer.light}
            low={0}
            high={100}
            step={0.5}
            places={1}
            onChange={setLightness}
          />
          <Range
            label={oklch ? "Chroma" : "Saturation"}
            of="of the even set"
            value={answer.chroma}
            low={0}
            high={oklch ? CHROMA_END : 100}
            step={oklch ? 0.002 : 1}
            places={oklch ? 3 : 0}
            onChange={setStrength}
          />
          {oklch && (
            <ToolButton onClick={() => setStrength(Math.floor(answer.highest * 1000) / 1000)}>
              Highest common, {answer.highest.toFixed(3)}
            </ToolButton>
          )}
        </>
      }
      actions={<TakeTools taken={found} />}
    >
      <HueStrip
        colors={answer.strip}
        {...(oklch ? { profile: answer.limits.map((limit) => limit / top) } : {})}
        lines={
          oklch
            ? [
                { at: answer.chroma / top, words: `chroma ${answer.chroma.toFixed(3)}` },
                { at: answer.common / top, words: `all hues ${answer.common.toFixed(3)}`, dashed: true },
              ]
            : []
        }
        marks={[]}
        label={
          oklch
            ? `What sRGB holds at this lightness along the hues; ${answer.common.toFixed(3)} is common to all`
            : `Hues of equal ${space.toUpperCase()} values`
        }
      />
      <Box marginTop="4px" paddingInline="14px">
        <Strip
          colors={shown}
          height={52}
          label="The even set; press a color to leave it out or take it in"
          chosen={new Set(shown.map((_, place) => place).filter((place) => !out.has(place)))}
          onToggle={toggle}
          texts={shown === answer.colors ? answer.texts : shown.map((color) => color.hex)}
        />
      </Box>
      <Flex
        gap="12px"
        align="center"
        marginTop="6px"
        fontSize="12px"
        paddingInline="14px"
        wrap="wrap"
        data-testid="even-words"
      >
        {answer.uneven && !corrected ? (
          <>
            <Text fontWeight="700">{answer.uneven}</Text>
            <ToolButton onClick={() => setCorrected(true)}>Make them equal to the eye</ToolButton>
          </>
        ) : corrected && !oklch ? (
          <>
            <Text>One lightness and one chroma; each keeps its hue.</Text>
            <ToolButton onClick={() => setCorrected(false)}>
              Back to equal {space.toUpperCase()} values
            </ToolButton>
          </>
        ) : (
          <Text>
            {oklch && high - low > 0.006
              ? `Chroma runs from ${low.toFixed(3)} to ${high.toFixed(3)}: where the strip is covered, the gamut holds less. All can have ${answer.highest.toFixed(3)}.`
              : `All have L* ${answer.lightness_range[0]?.toFixed(0)} and chroma ${low.toFixed(3)}.`}
          </Text>
        )}
      </Flex>
    </Area>
  );
}
