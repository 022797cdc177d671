/** What is to settle of a palette, as Legibility tells it; a color can be made anew beside the others. */
import { Box, Text } from "@chakra-ui/react";
import { memo, useState } from "react";
import { type FindingView, type PaletteView, problemOf, type RepairView } from "../../api/client";
import { ToolButton } from "../../components/ToolButton";
import { useSteady } from "../../util/useSteady";
import { useKnown, usePart, useWorkspace } from "../../workspace/hooks";
import { useLook } from "../../workspace/look";
import { FindingRow } from "../shared/FindingRow";
import { type Categorical, remade } from "./palette";
import { proposed } from "./proposed";

export function PaletteFindings({ palette }: { palette: PaletteView }) {
  const slug = useLook((at) => at.slug);
  const findings = usePart("findings");
  const known = useKnown(({ parts }) => parts?.repairs);
  const { keep } = useWorkspace();
  const [problem, setProblem] = useState("");
  const anew = useSteady((place: number) => void makeAnew(place));
  const own = findings.filter((each) => each.select === `palette:${palette.id}`);
  if (own.length === 0) return null;
  const make = palette.make as Categorical;
  /** The last of a finding's colors that may move, by its place; none of a palette over numbers. */
  const placeOf = (id: string) => {
    if (palette.kind !== "categorical") return -1;
    const ids = id.split(":").slice(3).reverse();
    return make.colors.findIndex(
      (color) => color.id === ids.find((each) => make.colors.some((one) => one.id === each && !one.held)),
    );
  };
  const makeAnew = async (place: number) => {
    setProblem("");
    const own = make.colors[place]?.id;
    try {
      await keep(
        remade<Categorical>(palette.id, async (now, { ground }) => {
          const kept = now.colors.filter(({ id }) => id !== own);
          if (kept.length === now.colors.length) return now;
          const { reach = 0, contrast = 3 } = now;
          const found = await proposed(slug, {
            count: now.colors.length,
            kept,
            ground,
            reach,
            contrast,
            seed: 1,
          });
          const made = found.make.colors.at(-1);
          if (!made) return now;
          const { value, shades = {} } = made;
          return {
            ...now,
            colors: now.colors.map((each) => (each.id === own ? { ...each, value, shades } : each)),
          };
        }),
      );
    } catch (thrown) {
      setProblem(problemOf(thrown).message);
    }
  };
  return (
    <Box
      as="section"
      aria-label={`Findings on ${palette.name}`}
      marginTop="10px"
      borderTop="1px solid"
      borderColor="border"
    >
      {own.map((finding) => (
        <Row
          key={finding.id}
          finding={finding}
          repairs={known?.find((each) => each.finding === finding.id)?.repairs}
          place={placeOf(finding.id)}
          onAnew={anew}
        />
      ))}
      {problem && (
        <Text role="alert" fontSize="12px" fontWeight="700">
          {problem}
        </Text>
      )}
    </Box>
  );
}

interface RowProps {
  finding: FindingView;
  repairs: RepairView[] | undefined;
  /** The place of the color that may be made anew; -1 where none may. */
  place: number;
  onAnew: (place: number) => void;
}

const Row = memo(function Row({ finding, repairs, place, onAnew }: RowProps) {
  return (
    <FindingRow
      finding={finding}
      repairs={repairs}
      more={
        place >= 0 && (
          <ToolButton
            aria-label={`Make ${place + 1} anew, so that it is settled: ${finding.sentence}`}
            title="As far from all others as it can be, in every theme; the others stay"
            onClick={() => onAnew(place)}
          >
            Make {place + 1} anew
          </ToolButton>
        )
      }
    />
  );
});
