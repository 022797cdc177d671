/** Curves: lightness, chroma and hue over the steps of the selected scale, to be drawn by their handles. */
import { Box, Flex, Text } from "@chakra-ui/react";
import { useState } from "react";
import type { CurveView, Edit, HandleView, HueView, OpenedView } from "../../../api/client";
import { Area } from "../../../parts/Area";
import { Range } from "../../../parts/Range";
import { safeWords } from "../../../parts/safeWords";
import { Tool } from "../../../parts/Tool";
import { useActions, useView } from "../../../state/workspace";
import { CurvePlot } from "./CurvePlot";
import { Nothing } from "./Nothing";
import { useSafeHandle } from "./useSafeHandle";
import { useScope } from "./useScope";

export function CurvesArea() {
  const { opened, hues } = useView();
  const hue = hues.find((each) => each.id === opened?.hue);
  if (!opened || !hue)
    return <Nothing title="Curves" words="Select a hue or a step: its curves open here." />;
  return <OpenCurves key={hue.id} hue={hue} opened={opened} />;
}

function OpenCurves({ hue, opened }: { hue: HueView; opened: OpenedView }) {
  const { preview, endPreview, put } = useActions();
  const { hues, scope, choice } = useScope({ hue, own: hue.own_curves, withoutAll: true });
  const aimed = (curve: CurveView, handle: HandleView, value: number | null) =>
    ({ type: "aim_curve", shown: hue.id, hues, curve: curve.name, at: handle.at, value }) as Edit;
  const every = useView().hues;
  const changed =
    hues === null
      ? Object.values(opened.all_curves).some((value) =>
          Array.isArray(value) ? value.length > 0 : value !== null,
        )
      : every.some((each) => each.own_curves && hues.includes(each.id));
  const [at, setAt] = useState<{ curve: CurveView["name"]; at: number } | null>(null);
  const safe = useSafeHandle(hue.id, hues, at);
  const reset = () =>
    void put(...(hues ?? [null]).map((id) => ({ type: "set_curves", hue: id, curves: null }) as Edit));
  return (
    <Area
      title={`Curves of ${hue.name}`}
      tools={
        <>
          {choice}
          {changed && <Tool onClick={reset}>{scope === "all" ? "As usual" : "As all scales"}</Tool>}
          <Text fontSize="12px" color="fg.muted">
            {hue.own_curves
              ? `${hue.name} has curves of its own.`
              : "Drag a handle, or use the arrow keys on it; Backspace puts it back."}
          </Text>
        </>
      }
    >
      <Flex gap="20px" align="flex-start">
        {opened.drawn.map((curve) => (
          <CurvePlot
            key={curve.name}
            curve={curve}
            steps={hue.steps}
            onMove={(handle, value) => preview([aimed(curve, handle, value)])}
            onEnd={(handle, value) => put(aimed(curve, handle, value))}
            onCancel={endPreview}
            onReset={(handle) => void put(aimed(curve, handle, null))}
            at={curve.handles.find((handle) => at?.curve === curve.name && at.at === handle.at) ?? null}
            safe={safe}
            onAt={(handle) => setAt(handle && { curve: curve.name, at: handle.at })}
          />
        ))}
      </Flex>
      <Ends opened={opened} hues={hues} onAt={setAt} />
      <Text
        fontSize="12px"
        lineHeight="16px"
        minHeight="32px"
        marginTop="6px"
        data-testid="safe-handle-words"
      >
        {at && safe && safeWords(safe, at.curve === "chroma" ? 3 : 0, at.curve === "hue" ? "°" : "")}
      </Text>
    </Area>
  );
}

const SHARE = { curve: "chroma", low: 0, high: 1.5, step: 0.05, places: 2, unit: "" } as const;
const TURN = { curve: "hue", low: -120, high: 120, step: 1, places: 0, unit: "°" } as const;
const ENDS = [
  { name: "light_taper", at: -1, label: "Chroma, light end", ...SHARE },
  { name: "dark_taper", at: 1, label: "dark end", ...SHARE },
  { name: "light_drift", at: -1, label: "Hue drift, light end", ...TURN },
  { name: "dark_drift", at: 1, label: "dark end", ...TURN },
] as const;

/** Taper of chroma and drift of hue, told against the source: the plain way to the ends of the curves. */
interface EndsProps {
  opened: OpenedView;
  hues: string[] | null;
  onAt: (at: { curve: CurveView["name"]; at: number }) => void;
}

function Ends({ opened, hues, onAt }: EndsProps) {
  const { put, preview } = useActions();
  return (
    <Flex gap="4px 14px" align="center" wrap="wrap" fontSize="12px" marginTop="8px" data-testid="ends">
      {ENDS.map(({ name, curve, at, ...range }) => {
        const edit = (value: number): Edit => ({ type: "aim_curve", shown: null, hues, curve, at, value });
        return (
          <Box key={name} onFocus={() => onAt({ curve, at })} onPointerEnter={() => onAt({ curve, at })}>
            <Range
              {...range}
              value={opened.ends[name]}
              width="64px"
              onChange={(value) => preview([edit(value)])}
              onEnd={(value) => void put(edit(value))}
            />
          </Box>
        );
      })}
    </Flex>
  );
}
