/** Overlay: the solid that a translucent color gives on a ground, and the overlays that give a solid there. */

import { Box, Flex, Input, Text } from "@chakra-ui/react";
import { type ReactNode, useState } from "react";
import { client, data, type Edit, problemOf } from "../../../api/client";
import { edit } from "../../../api/edits";
import { newId } from "../../../api/ids";
import { stepRef } from "../../../api/keys";
import { Range } from "../../../components/Range";
import { Strip } from "../../../components/Strip";
import { ToolButton } from "../../../components/ToolButton";
import { usePart, useWorkspace } from "../../../workspace/hooks";
import { useLook, useSeeing } from "../../../workspace/look";
import { useLatest } from "../../../workspace/useLatest";
import { Area } from "../../shared/Area";

const HEIGHT = 32;

export function OverlayArea() {
  const slip = usePart("slip");
  const slug = useLook((at) => at.slug);
  const seeing = useSeeing();
  const [color, setColor] = useState("#000000");
  const [percent, setPercent] = useState(6);
  const [ground, setGround] = useState("#FFFFFF");
  const [typed, setTyped] = useState<string | null>(null);
  const tint = typed ?? slip?.hex ?? "#F0F0F0";
  const [name, setName] = useState("overlay");
  const { said, addToken, pinStep } = useTaking(name);
  const question = { color, alpha: percent / 100, ground, tint, system: slug, ...seeing };
  const { answer, problem } = useLatest(question, (body) => data(client.POST("/api/overlays", { body })));
  const step = slip?.kind === "step" && !slip.pinned ? slip : null;
  return (
    <Area
      title="Overlay and solid"
      tools={
        <>
          <ColorField label="On the ground" value={ground} onChange={setGround} />
          <Text fontSize="12px" color="fg.muted">
            a value, or a name: shingle 100, surface.card
          </Text>
          <ColorField label="Token name" value={name} onChange={setName} />
        </>
      }
    >
      {(problem ?? said) && (
        <Text role="status" fontSize="12px" fontWeight="700" marginBottom="6px" data-testid="overlay-words">
          {problem?.message ?? said}
        </Text>
      )}
      <Line
        left={
          <>
            <ColorField label="Color" value={color} onChange={setColor} />
            <Range
              label="Alpha"
              value={percent}
              low={0}
              high={100}
              step={1}
              places={1}
              unit=" %"
              width="90px"
              onChange={setPercent}
            />
          </>
        }
        colors={answer ? [answer.ground, answer.solid] : []}
        words={`${color} at ${percent} % on ${ground} gives ${answer?.solid.hex ?? ""}`}
        figure={answer ? `is ${answer.solid.hex}` : ""}
      >
        {answer && step && (
          <ToolButton onClick={() => void pinStep(step.key, answer.solid.hex)}>Pin {step.name}</ToolButton>
        )}
        {answer && <ToolButton onClick={() => void addToken(answer.solid.hex)}>Solid as token</ToolButton>}
        {answer && (
          <ToolButton onClick={() => void addToken(answer.asked_hex, answer.asked)}>
            Overlay as token
          </ToolButton>
        )}
      </Line>
      {answer?.overlays.map((overlay, place) => (
        <Line
          key={overlay.words}
          left={
            <>
              {place === 0 ? (
                <Box width="136px">
                  <ColorField label="Solid" value={tint} onChange={setTyped} />
                </Box>
              ) : (
                <Box width="136px" />
              )}
              <Text>{overlay.words}</Text>
            </>
          }
          colors={[answer.tint, overlay.solid]}
          words={`${overlay.text} on ${ground} beside ${tint}`}
          figure={`${overlay.text}, ${overlay.exact ? "exact" : `CIEDE2000 ${overlay.distance}`}`}
        >
          <ToolButton
            aria-label={`Overlay as token: ${overlay.words}`}
            onClick={() => void addToken(overlay.hex, overlay.text)}
          >
            Overlay as token
          </ToolButton>
        </Line>
      ))}
    </Area>
  );
}

/** Adding what was found as a token, or as a pin of the selected step; what went wrong is said in the area. */
function useTaking(name: string) {
  const theme = usePart("head", (head) => head.theme?.id ?? "");
  const { keep } = useWorkspace();
  const [said, setSaid] = useState<string | null>(null);
  const make = async (made: Edit, done: string) => {
    try {
      await keep([made]);
      setSaid(done);
    } catch (thrown) {
      setSaid(problemOf(thrown).message);
    }
  };
  const addToken = async (color: string, told = color) => {
    const value = { kind: "literal" as const, color };
    await make(edit("add_token", { id: newId(), name, theme, value }), `${name} is ${told}.`);
  };
  const pinStep = async (key: string, color: string) => {
    await make(edit("pin_step", { ...stepRef(key), color }), `Pinned at ${color}.`);
  };
  return { said, addToken, pinStep };
}

interface LineProps {
  left: ReactNode;
  colors: { hex: string; seen: string; ink: "#000000" | "#FFFFFF" }[];
  words: string;
  figure: string;
  children: ReactNode;
}

/** One finding: what is asked, the colors edge to edge, the answer, what can be done with it. */
function Line({ left, colors, words, figure, children }: LineProps) {
  return (
    <Flex align="center" gap="10px" fontSize="12px" minHeight={`${HEIGHT + 4}px`} data-overlay={figure}>
      <Flex width="352px" flexShrink={0} align="center" gap="12px">
        {left}
      </Flex>
      <Flex width="80px" flexShrink={0}>
        <Strip colors={colors} height={HEIGHT} label={words} />
      </Flex>
      <Text fontFamily="mono" flex="1 1 0" minWidth="90px">
        {figure}
      </Text>
      <Flex gap="6px" justify="flex-end">
        {children}
      </Flex>
    </Flex>
  );
}

function ColorField({
  label,
  value,
  onChange,
}: {
  label: string;
  value: string;
  onChange: (text: string) => void;
}) {
  return (
    <Flex as="label" gap="6px" align="center" fontSize="12px">
      {label}
      <Input
        aria-label={label}
        size="2xs"
        height="26px"
        width="96px"
        fontFamily="mono"
        fontSize="12px"
        borderColor="border.emphasized"
        spellCheck={false}
        value={value}
        onChange={(event) => onChange(event.target.value)}
      />
    </Flex>
  );
}
