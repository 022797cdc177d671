/** Neutral: a gray, pure or tinted with a hue, seen as a band and a scale before it is added. */
import { Text } from "@chakra-ui/react";
import { useEffect, useMemo, useState } from "react";
import type { Edit } from "../../../api/client";
import { Area } from "../../../parts/Area";
import { Choice } from "../../../parts/Choice";
import { Range } from "../../../parts/Range";
import { Strip } from "../../../parts/Strip";
import { Tool } from "../../../parts/Tool";
import { useLooking } from "../../../state/looking";
import { useActions, useView } from "../../../state/workspace";
import { useAdding } from "../adding";
import { useHueItems } from "./useSource";

const PURE = "";
const LADDERS = [
  { value: "", words: "as all scales" },
  { value: "usual", words: "9, usual" },
  { value: "long", words: "11, long" },
  { value: "fine", words: "13, fine" },
];

const newId = () =>
  `n${Array.from(crypto.getRandomValues(new Uint32Array(2)), (part) => part.toString(36)).join("")}`;

export function NeutralArea() {
  const hues = useView((view) => view.hues);
  const { preview, endPreview } = useActions();
  const { look } = useLooking();
  const { make } = useAdding();
  const items = useHueItems();
  const [id, setId] = useState(newId);
  const first = hues.find((hue) => hue.kind === "brand") ?? hues[0];
  const [tint, setTint] = useState<string>(first?.id ?? PURE);
  const [strength, setStrength] = useState(0.011);
  const [lightness, setLightness] = useState(52.5);
  const [ladder, setLadder] = useState("");
  const edit = useMemo(() => {
    const color = `lab(${lightness} 0 0)`;
    const source = { kind: "tinted", hue: tint, lightness, chroma: strength };
    const hue = { id, kind: "neutral", note: tint ? "" : "gray", name: "" };
    return {
      type: "add_hues",
      hues: [{ ...hue, ladder: ladder || null, ...(tint ? { source } : { color }) }],
    } as unknown as Edit;
  }, [id, tint, strength, lightness, ladder]);
  useEffect(() => preview([edit]), [edit, preview]);
  useEffect(() => endPreview, [endPreview]);
  const made = hues.find((hue) => hue.id === id);
  const add = async () => {
    if (!(await make(edit))) return;
    look({ select: `hue:${id}` });
    setId(newId());
    look({ area: null });
  };
  return (
    <Area
      title="Neutral"
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
              high={0.05}
              step={0.001}
              places={3}
              onChange={setStrength}
            />
          )}
          <Range
            label="Lightness"
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
      actions={<Tool onClick={() => void add()}>Add this neutral</Tool>}
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
