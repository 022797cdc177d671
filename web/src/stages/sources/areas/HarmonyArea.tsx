/** Harmony: partners of a hue, or of several, on a straight strip of hues; taken loose, or derived so that they follow. */

import { Flex, Text } from "@chakra-ui/react";
import { useState } from "react";
import { client, data, type HarmonyBody, type PartnerView } from "../../../api/client";
import { MOST_SPREAD } from "../../../api/constants.generated";
import { Choice } from "../../../components/Choice";
import { Range } from "../../../components/Range";
import { Switch } from "../../../components/Switch";
import { ToolButton } from "../../../components/ToolButton";
import { usePart } from "../../../workspace/hooks";
import { useInterface } from "../../../workspace/interface";
import { look, useSeeing } from "../../../workspace/look";
import { useLatest } from "../../../workspace/useLatest";
import { Area } from "../../shared/Area";
import { useAdding } from "../adding";
import { HueStrip, type StripMark } from "./HueStrip";
import { PartnerRow } from "./PartnerRow";
import { TakeTools } from "./TakeTools";
import { useSource } from "./useSource";

type Relation = NonNullable<HarmonyBody["relation"]>;
const RELATIONS: { value: Relation; words: string }[] = [
  { value: "complementary", words: "complementary" },
  { value: "split complementary", words: "split complementary" },
  { value: "analogous", words: "analogous" },
  { value: "triadic", words: "triadic" },
  { value: "square", words: "square" },
  { value: "rectangle", words: "rectangle" },
  { value: "monochromatic", words: "monochromatic" },
  { value: "free", words: "placed freely" },
];
const CIRCLES = [
  { value: "oklch", words: "OKLCH" },
  { value: "hsl", words: "HSL" },
];
const MOST_PLACED = 11;

interface Shown {
  key: string;
  partner: PartnerView;
  words: string;
}

/** Partners at the same place, found for more than one reason, as one. */
function merged(partners: Shown[]): Shown[] {
  const found: Shown[] = [];
  for (const next of partners) {
    const same = found.find((each) => each.partner.hex === next.partner.hex);
    if (same) same.words += `, ${next.words}`;
    else found.push({ ...next });
  }
  return found;
}

export function HarmonyArea() {
  const hues = usePart("hues");
  const seeing = useSeeing();
  const { notation } = useInterface();
  const { add } = useAdding();
  const source = useSource();
  const [relation, setRelation] = useState<Relation>("split complementary");
  const [circle, setCircle] = useState<"oklch" | "hsl">("oklch");
  const [spread, setSpread] = useState<number | null>(null);
  const [placed, setPlaced] = useState<number[]>([40, 180]);
  const [others, setOthers] = useState<ReadonlySet<string>>(new Set());
  const [out, setOut] = useState<ReadonlySet<string>>(new Set());

  const given = source ? [source, ...hues.filter((hue) => others.has(hue.id) && hue.id !== source.id)] : [];
  const question = source
    ? {
        given: given.map((hue) => hue.exact),
        remembered: given.map((hue) => hue.remembers),
        relation,
        circle,
        spread,
        placed,
        notation,
        ...seeing,
      }
    : null;
  const { answer, problem } = useLatest(question, (body) => data(client.POST("/api/harmony", { body })));
  if (!source || !answer)
    return (
      <Area title="Harmony">
        <Text>
          {source
            ? (problem?.message ?? "Looking for partners")
            : "Add a hue first: harmony starts from one."}
        </Text>
      </Area>
    );

  const several = given.length > 1;
  const partners: Shown[] = several
    ? merged([
        ...answer.common.map((partner, place) => ({ key: `common ${place}`, partner, words: partner.words })),
        ...answer.likenesses.slice(0, 3).flatMap((likeness) =>
          likeness.missing.map((partner, place) => ({
            key: `${likeness.relation} ${place}`,
            partner,
            words: `completes ${likeness.relation}`,
          })),
        ),
      ])
    : [...answer.partners, ...answer.lighter_darker].map((partner, place) => ({
        key: `${place}`,
        partner,
        words:
          answer.lighter_darker.length > 0
            ? `${Math.abs(partner.offset)} ${partner.offset > 0 ? "lighter" : "darker"}`
            : `${partner.offset > 0 ? "+" : ""}${partner.offset}°`,
      }));
  const taken = partners.filter(({ key }) => several === out.has(key));
  const toggle = (key: string) => {
    const next = new Set(out);
    if (!next.delete(key)) next.add(key);
    setOut(next);
  };
  const found = (derived: boolean) =>
    taken.map(({ partner }) => {
      const how = (by: number) => ({ how: "shifted" as const, by });
      const change =
        answer.lighter_darker.length > 0 ? { lightness: how(partner.offset) } : { turn: how(partner.offset) };
      return derived
        ? {
            source: { kind: "derived" as const, hue: source.id, circle, ...change },
            note: `${relation} to ${source.name}`,
          }
        : { color: partner.exact, note: `${relation} to ${source.name}` };
    });
  const marks: StripMark[] = [
    ...partners.map(({ key, partner }) => ({
      key: `other ${key}`,
      angle: partner.other_angle,
      words: `On the ${circle === "hsl" ? "OKLCH" : "HSL"} circle ${partner.other.hex}`,
      seen: partner.other.seen,
      ghost: true,
    })),
    ...partners.map(({ key, partner, words }) => ({
      key,
      angle: partner.angle,
      words: `${words} ${partner.hex}`,
      seen: partner.seen,
      chosen: taken.some((each) => each.key === key),
    })),
    ...answer.given.map((mark, place) => ({
      key: `given ${place}`,
      angle: mark.angle,
      words: `${given[place]?.name ?? ""} ${mark.hex}`,
      seen: mark.seen,
      given: true,
    })),
  ];
  const place = (key: string, angle: number) =>
    setPlaced(
      placed.map((before, at) =>
        `${at}` === key ? Math.round(angle - (answer.given[0]?.angle ?? 0)) : before,
      ),
    );
  const free = relation === "free" && !several;
  const spreadable = answer.spread !== null && answer.spread !== undefined && !several;
  return (
    <Area
      title={`Harmony of ${given.map((hue) => hue.name).join(" and ")}`}
      tools={
        <>
          {!several && (
            <Choice
              label="Relation"
              value={relation}
              items={RELATIONS}
              onChoose={(chosen) => {
                setRelation(chosen);
                setSpread(null);
                setOut(new Set());
              }}
            />
          )}
          <Choice
            label="Circle"
            value={circle}
            items={CIRCLES}
            onChoose={(chosen) => setCircle(chosen as "oklch" | "hsl")}
          />
          {spreadable && (
            <Range
              label="Spread"
              value={answer.spread ?? 30}
              low={relation === "monochromatic" ? 4 : 5}
              high={relation === "monochromatic" ? 30 : MOST_SPREAD}
              step={1}
              places={0}
              unit={relation === "monochromatic" ? "" : "°"}
              onChange={setSpread}
            />
          )}
          {free && (
            <>
              <ToolButton
                disabled={placed.length >= MOST_PLACED}
                onClick={() => setPlaced([...placed, ((placed.at(-1) ?? 0) + 40) % 360])}
              >
                Place one more
              </ToolButton>
              <ToolButton disabled={placed.length < 2} onClick={() => setPlaced(placed.slice(0, -1))}>
                One less
              </ToolButton>
            </>
          )}
        </>
      }
      actions={
        <TakeTools taken={found(false)}>
          {!several && (
            <ToolButton disabled={taken.length === 0} onClick={() => void add(found(true))}>
              Add as derived
            </ToolButton>
          )}
        </TakeTools>
      }
    >
      <HueStrip
        colors={answer.strip}
        marks={marks}
        label={`Hues on the ${circle === "hsl" ? "HSL" : "OKLCH"} circle, 0 to 360 degrees`}
        {...(free ? { onMove: place } : {})}
        onPress={toggle}
      />
      <PartnerRow
        partners={partners}
        taken={new Set(taken.map(({ key }) => key))}
        other={circle === "hsl" ? "OKLCH" : "HSL"}
        onToggle={toggle}
      />
      {several && (
        <Text fontSize="12px" marginTop="6px" data-testid="likeness">
          {answer.likenesses.length > 0
            ? `They stand nearly ${answer.likenesses
                .slice(0, 3)
                .map((likeness) => likeness.words)
                .join("; or ")}.`
            : "More than four hues stand in no named relation."}
        </Text>
      )}
      <Flex gap="4px" align="center" marginTop="8px" wrap="wrap" fontSize="12px">
        <Text color="fg.muted">From</Text>
        {hues.map((hue) => (
          <Switch
            key={hue.id}
            on={given.some((each) => each.id === hue.id)}
            onClick={() => {
              if (hue.id === source.id) return;
              const next = new Set(others);
              if (!next.delete(hue.id)) next.add(hue.id);
              setOthers(next);
              setOut(new Set());
            }}
            onDoubleClick={() => look({ select: hue.key })}
          >
            {hue.name}
          </Switch>
        ))}
      </Flex>
    </Area>
  );
}
