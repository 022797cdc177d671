/** Neutral: a gray, pure or tinted with a hue, seen as a band and a scale before it is added. */

import { Text } from "@chakra-ui/react";
import { useEffect, useMemo, useState } from "react";
import { STRONGEST_TINT } from "../../../api/constants.generated";
import { edit } from "../../../api/edits";
import { newId } from "../../../api/ids";
import { hueKey } from "../../../api/keys";
import { Choice } from "../../../components/Choice";
import { Range } from "../../../components/Range";
import { Strip } from "../../../components/Strip";
import { ToolButton } from "../../../components/ToolButton";
import { usePart, useWorkspace } from "../../../workspace/hooks";
import { look } from "../../../workspace/look";
import { Area } from "../../shared/Area";
import { READY_LADDER_ITEMS } from "../../shared/ladders";
import { useAdding } from "../adding";
import { useHueItems } from "./useSource";

const PURE = "";
const LADDERS = [{ value: "", words: "as all scales" }, ...READY_LADDER_ITEMS];

export function NeutralArea() {
  const hues = usePart("hues");
  const { preview, endPreview } = useWorkspace();
  const { make } = useAdding();
  const items = useHueItems();
  const [id, setId] = useState(newId);
  const first = hues.find((hue) => hue.kind === "brand") ?? hues[0];
  const [tint, setTint] = useState<string>(first?.id ?? PURE);
  const [strength, setStrength] = useState(0.011);
  const [lightness, setLightness] = useState(52.5);
  const [ladder, setLadder] = useState("");
  const adding = useMemo(() => {
    const hue = { id, kind: "neutral" as const, note: tint ? "" : "gray", ladder: ladder || null };
    const gray = { space: "lab" as const, components: [lightness, 0, 0] as [number, number, number] };
    return edit("add_hues", {
      hues: [
        tint
          ? { ...hue, source: { kind: "tinted", hue: tint, lightness, chroma: strength } }
          : { ...hue, color: gray },
      ],
    });
  }, [id, tint, strength, lightness, ladder]);
  useEffect(() => preview([adding]), [adding, preview]);
  useEffect(() => endPreview, [endPreview]);
  const made = usePart("scales", (scales) => scales.find((scale) => scale.hue === id));
  const add = async () => {
    if (!(await make([adding]))) return;
    look({ select: hueKey(id) });
    setId(newId());
    look({ area: null });
  };
  return (
    <Area
      title="Neutrals"
      tools={
        <>
          <Choice
            label="Tinted with"
            value={tint}
            items={[
              { value: PURE, words: "nothing: pure gray" },
              ...items.filter((item) => item.value !== id),
            ]}
            onChoose={setTint}
          />
          {tint && (
            <Range
              label="Strength of the tint"
              value={strength}
              low={0}
              high={STRONGEST_TINT}
              step={0.001}
              places={3}
              onChange={setStrength}
            />
          )}
          <Range
            label="Lightness"
            of="of the neutral"
            value={lightness}
            low={0}
            high={100}
            step={0.5}
            places={1}
            onChange={setLightness}
          />
          <Choice label="Steps" value={ladder} items={LADDERS} onChoose={setLadder} />
        </>
      }
      actions={<ToolButton onClick={() => void add()}>Add this neutral</ToolButton>}
    >
      {made ? (
        <Strip
          colors={made.steps}
          height={52}
          label={`The scale of the neutral: ${made.steps.map((step) => step.hex).join(", ")}`}
          texts={made.steps.map((step) => step.label)}
        />
      ) : (
        <Text>Making its scale</Text>
      )}
    </Area>
  );
}
