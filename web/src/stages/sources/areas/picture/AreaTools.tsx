/** A marked area: by dragging on the picture or by typing; left out of the search, or fitted by ordered stops. */

import { Box, Flex, Text } from "@chakra-ui/react";
import { useState } from "react";
import { client, data, type PictureView } from "../../../../api/client";
import { edit } from "../../../../api/edits";
import { newId } from "../../../../api/ids";
import { NumberField } from "../../../../components/NumberField";
import { Strip } from "../../../../components/Strip";
import { ToolButton } from "../../../../components/ToolButton";
import { useLook, useSeeing } from "../../../../workspace/look";
import { useLatest } from "../../../../workspace/useLatest";
import { useAdding } from "../../adding";
import type { Rect } from "./Canvas";

interface Props {
  picture: PictureView;
  marked: Rect | null;
  without: number;
  onMark: (area: Rect | null) => void;
  onLeaveOut: (area: Rect) => void;
  onTakeBack: () => void;
}

const SIDES: { side: keyof Rect; words: string }[] = [
  { side: "x", words: "Left" },
  { side: "y", words: "Top" },
  { side: "width", words: "Width" },
  { side: "height", words: "Height" },
];

export function AreaTools({ picture, marked, without, onMark, onLeaveOut, onTakeBack }: Props) {
  const slug = useLook((at) => at.slug);
  const seeing = useSeeing();
  const { make } = useAdding();
  const [difference, setDifference] = useState(3);
  const [fitting, setFitting] = useState(false);
  const question = fitting && marked ? { rectangle: marked, difference, ...seeing } : null;
  const { answer, problem } = useLatest(question, (body) =>
    data(
      client.POST("/api/systems/{slug}/pictures/{picture}/stops", {
        params: { path: { slug, picture: picture.id } },
        body,
      }),
    ),
  );
  const whole = { x: 0, y: 0, width: picture.width, height: picture.height };
  const keep = () => {
    if (!answer) return;
    const colors = answer.colors.map((color) => color.hex);
    const name = picture.name.replace(/\.[a-z]+$/i, "");
    void make([edit("keep_stops", { id: newId(), name, colors, difference, note: `from ${picture.name}` })]);
  };
  return (
    <Box marginTop="10px" fontSize="12px" data-testid="marked">
      {marked ? (
        <>
          <Flex gap="8px" wrap="wrap" align="center">
            {SIDES.map(({ side, words }) => (
              <Flex key={side} gap="4px" align="center">
                <Text color="fg.muted">{words}</Text>
                <NumberField
                  label={`${words} of the area`}
                  value={marked[side]}
                  low={side === "width" || side === "height" ? 1 : 0}
                  high={side === "x" || side === "width" ? picture.width : picture.height}
                  step={1}
                  places={0}
                  width="52px"
                  onCommit={(value) => onMark({ ...marked, [side]: value })}
                />
              </Flex>
            ))}
          </Flex>
          <Flex gap="4px" marginTop="6px" wrap="wrap">
            <ToolButton
              onClick={() => {
                onLeaveOut(marked);
                onMark(null);
              }}
            >
              Leave this area out
            </ToolButton>
            {!fitting && <ToolButton onClick={() => setFitting(true)}>Ordered stops</ToolButton>}
            <ToolButton
              onClick={() => {
                onMark(null);
                setFitting(false);
              }}
            >
              Unmark
            </ToolButton>
          </Flex>
          {fitting && (
            <Box marginTop="6px">
              <Flex gap="6px" align="center" marginBottom="4px">
                <Text>Within a difference of</Text>
                <NumberField
                  label="Difference that stops may have"
                  value={difference}
                  low={1}
                  high={20}
                  step={0.5}
                  places={1}
                  onCommit={setDifference}
                />
                {answer && !problem && (
                  <ToolButton onClick={keep}>Keep {answer.colors.length} stops</ToolButton>
                )}
              </Flex>
              {problem && <Text fontWeight="700">{problem.message}</Text>}
              {answer && !problem && (
                <>
                  <Box
                    height="14px"
                    role="img"
                    aria-label="The colors of the area along their lightness"
                    style={{ background: `linear-gradient(90deg, ${answer.curve.join(", ")})` }}
                  />
                  <Strip
                    colors={answer.colors}
                    height={26}
                    label={`Stops: ${answer.colors.map((color) => color.hex).join(", ")}`}
                    texts={answer.colors.map((color) => color.hex)}
                  />
                  <Text color="fg.muted" marginTop="2px">
                    {answer.colors.length} stops, CIEDE2000 {answer.largest} at most
                  </Text>
                </>
              )}
            </Box>
          )}
        </>
      ) : (
        <Flex gap="8px" wrap="wrap" align="center">
          <ToolButton onClick={() => onMark(whole)}>Mark an area</ToolButton>
          <Text color="fg.muted">or drag on the picture</Text>
        </Flex>
      )}
      {without > 0 && (
        <Flex gap="8px" align="center" marginTop="6px">
          <Text>
            {without} left {without === 1 ? "out" : "out"}
          </Text>
          <ToolButton onClick={onTakeBack}>Take all back</ToolButton>
        </Flex>
      )}
    </Box>
  );
}
