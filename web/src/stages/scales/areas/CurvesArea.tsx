/** Curves: lightness, chroma and hue over the steps of the selected scale, to be drawn by their handles. */

import { Box, Flex, Text } from "@chakra-ui/react";
import { useState } from "react";
import type { CurveView, HandleView, SafeView } from "../../../api/client";
import { MOST_DRIFT, STRONGEST_SHARE } from "../../../api/constants.generated";
import { edit } from "../../../api/edits";
import { Range } from "../../../components/Range";
import { safeWords } from "../../../components/safeWords";
import { Toggle } from "../../../components/Toggle";
import { ToolButton } from "../../../components/ToolButton";
import { useSteady } from "../../../util/useSteady";
import { usePart, useWorkspace } from "../../../workspace/hooks";
import { Area } from "../../shared/Area";
import { CurveSheet } from "./CurveSheet";
import { Nothing } from "./Nothing";
import { useSafeHandle } from "./useSafeHandle";
import { useScope } from "./useScope";

export function CurvesArea() {
  const hue = usePart("scale_detail", (detail) => detail?.hue);
  const name = usePart("scale_detail", (detail) => detail?.name);
  if (!hue || !name) return <Nothing title="Curves" words="Select a hue or a step: its curves open here." />;
  return <OpenCurves key={hue} hue={hue} name={name} />;
}

/** A handle that is looked at: its curve, and its reach. */
interface At {
  curve: CurveView["name"];
  at: number;
}

function OpenCurves({ hue, name }: { hue: string; name: string }) {
  const { put } = useWorkspace();
  const own = usePart("hues", (all) => all.find((each) => each.id === hue)?.own_curves ?? false);
  const { hues, scope, choice } = useScope({ hue: { id: hue, name }, own, withoutAll: true });
  const allChanged = usePart("scale_detail", (detail) =>
    Object.values(detail?.all_curves ?? {}).some((value) =>
      Array.isArray(value) ? value.length > 0 : value !== null,
    ),
  );
  const theirsChanged = usePart("hues", (all) =>
    all.some((each) => each.own_curves && (hues ?? []).includes(each.id)),
  );
  const changed = hues === null ? allChanged : theirsChanged;
  const [at, setAt] = useState<At | null>(null);
  const [quantity, setQuantity] = useState<CurveView["name"]>("lightness");
  const safe = useSafeHandle(hue, hues, at);
  const reset = () =>
    void put(...(hues ?? [null]).map((id) => edit("set_curves", { hue: id, curves: null })));
  return (
    <Area
      title={`Curves of ${name}`}
      fill
      tools={
        <>
          <Flex gap="4px" role="group" aria-label="Which curve is shaped">
            {QUANTITIES.map(({ name: each, words }) => (
              <Toggle
                key={each}
                on={quantity === each}
                aria-label={`${words}: shape its curve`}
                onClick={() => setQuantity(each)}
              >
                {words}
              </Toggle>
            ))}
          </Flex>
          {choice}
          {changed && (
            <ToolButton onClick={reset}>{scope === "all" ? "As usual" : "As all scales"}</ToolButton>
          )}
          <Text fontSize="12px" color="fg.muted">
            {own
              ? `${name} has curves of its own.`
              : `Drag a handle, or use the arrow keys; Backspace puts it back. Thin: ${QUANTITIES.flatMap(({ name: each, words }) => (each === quantity ? [] : [words.toLowerCase()])).join(", ")}.`}
          </Text>
        </>
      }
    >
      <Drawn hue={hue} hues={hues} quantity={quantity} at={at} safe={safe} onAt={setAt} />
      <Ends hues={hues} onAt={setAt} />
      <Text
        fontSize="12px"
        lineHeight="16px"
        minHeight="16px"
        marginTop="4px"
        data-testid="safe-handle-words"
      >
        {at && safe && safeWords(safe, at.curve === "chroma" ? 3 : 0, at.curve === "hue" ? "°" : "")}
      </Text>
    </Area>
  );
}

const QUANTITIES: { name: CurveView["name"]; words: string }[] = [
  { name: "lightness", words: "Lightness" },
  { name: "chroma", words: "Chroma" },
  { name: "hue", words: "Hue" },
];

interface DrawnProps {
  hue: string;
  hues: string[] | null;
  quantity: CurveView["name"];
  at: At | null;
  safe: SafeView | null;
  onAt: (at: At | null) => void;
}

/** The curves across the scale itself, under the columns of the sheet. */
function Drawn({ hue, hues, quantity, at, safe, onAt }: DrawnProps) {
  const drawn = usePart("scale_detail", (detail) => detail?.drawn);
  const steps = usePart("scales", (scales) => scales.find((scale) => scale.hue === hue)?.steps);
  const columns = usePart("ladder", (ladder) => ladder.steps.length);
  const { preview, endPreview, put } = useWorkspace();
  const aimed = (curve: At["curve"], { at: reach }: HandleView, value: number | null) =>
    edit("aim_curve", { shown: hue, hues, curve, at: reach, value });
  const onMove = useSteady((curve: At["curve"], handle: HandleView, value: number) =>
    preview([aimed(curve, handle, value)]),
  );
  const onEnd = useSteady((curve: At["curve"], handle: HandleView, value: number) =>
    put(aimed(curve, handle, value)),
  );
  const onReset = useSteady((curve: At["curve"], handle: HandleView) => void put(aimed(curve, handle, null)));
  const onLook = useSteady((curve: At["curve"], handle: HandleView) => onAt({ curve, at: handle.at }));
  if (!drawn || !steps) return null;
  return (
    <CurveSheet
      curves={drawn}
      name={quantity}
      steps={steps}
      columns={columns}
      onMove={onMove}
      onEnd={onEnd}
      onCancel={endPreview}
      onReset={onReset}
      at={at?.curve === quantity ? at.at : null}
      safe={at?.curve === quantity ? safe : null}
      onAt={onLook}
    />
  );
}

const SHARE = { curve: "chroma", low: 0, high: STRONGEST_SHARE, step: 0.05, places: 2, unit: "" } as const;
const TURN = { curve: "hue", low: -MOST_DRIFT, high: MOST_DRIFT, step: 1, places: 0, unit: "°" } as const;
const ENDS = [
  { name: "light_taper", at: -1, label: "Chroma, light end", ...SHARE },
  { name: "dark_taper", at: 1, label: "dark end", of: "of chroma", ...SHARE },
  { name: "light_drift", at: -1, label: "Hue drift, light end", ...TURN },
  { name: "dark_drift", at: 1, label: "dark end", of: "of hue drift", ...TURN },
] as const;

interface EndsProps {
  hues: string[] | null;
  onAt: (at: At) => void;
}

/** Taper of chroma and drift of hue, told against the source: the plain way to the ends of the curves. */
function Ends({ hues, onAt }: EndsProps) {
  const ends = usePart("scale_detail", (detail) => detail?.ends);
  const { put, preview } = useWorkspace();
  if (!ends) return null;
  return (
    <Flex gap="4px 14px" align="center" wrap="wrap" fontSize="12px" marginTop="8px" data-testid="ends">
      {ENDS.map(({ name, curve, at, ...range }) => {
        const aimed = (value: number) => edit("aim_curve", { shown: null, hues, curve, at, value });
        return (
          <Box key={name} onFocus={() => onAt({ curve, at })} onPointerEnter={() => onAt({ curve, at })}>
            <Range
              {...range}
              value={ends[name]}
              width="64px"
              onChange={(value) => preview([aimed(value)])}
              onEnd={(value) => put(aimed(value))}
            />
          </Box>
        );
      })}
    </Flex>
  );
}
