/** What is to settle, in order of weight: the first few whole, the others in a line each until they are opened. */
import { Box, Text } from "@chakra-ui/react";
import { Fragment, type ReactNode, useMemo, useState } from "react";
import type { FindingView, RepairView } from "../../api/client";
import { ToolButton } from "../../components/ToolButton";
import { useKnown, usePart } from "../../workspace/hooks";
import { FindingLine, FindingRow } from "../shared/FindingRow";

/** As many as stand whole under the row of tools at the design size. */
const WHOLE = 3;

export function Findings() {
  const findings = usePart("findings");
  // While something is dragged there are none: they take long, and nobody reads them then.
  const known = useKnown(({ parts }) => parts?.repairs);
  const repairs = new Map(known?.map((each) => [each.finding, each.repairs]));
  const causes = grouped(findings);
  return (
    <Box as="section" aria-label="Findings" borderTop="1px solid" borderColor="border">
      {causes.map((group, place) => (
        <Cause key={group[0]?.cause} group={group} whole={place < WHOLE} repairs={repairs} />
      ))}
      {findings.length === 0 && (
        <Text paddingBlock="12px">
          Nothing to settle: every pairing reaches its level, and every told-apart set keeps its distances.
        </Text>
      )}
    </Box>
  );
}

interface Group {
  group: FindingView[];
  whole: boolean;
  repairs: Map<string, RepairView[]>;
}

function Cause({ group, whole, repairs }: Group) {
  const [open, setOpen] = useState<readonly string[]>([]);
  const [all, setAll] = useState(false);
  const [first, ...others] = group;
  const more = all ? 0 : others.length;
  const sentence = first?.sentence;
  // It stands with the ways of the finding that it belongs to, which is not drawn again for it.
  const rest = useMemo(
    () =>
      more > 0 && (
        <ToolButton aria-label={`${more} more of this cause: ${sentence}`} onClick={() => setAll(true)}>
          {more} more of this cause
        </ToolButton>
      ),
    [more, sentence],
  );
  if (!first) return null;
  const row = (finding: FindingView, shown: boolean, more?: ReactNode) =>
    shown || open.includes(finding.id) ? (
      <FindingRow key={finding.id} finding={finding} repairs={repairs.get(finding.id)} more={more} />
    ) : (
      <Fragment key={finding.id}>
        <FindingLine finding={finding} onOpen={() => setOpen([...open, finding.id])} />
        {more && (
          <Box padding="4px 0 6px 50px" borderBottom="1px solid" borderColor="border">
            {more}
          </Box>
        )}
      </Fragment>
    );
  return (
    <>
      {row(first, whole, rest)}
      {all && others.map((finding) => row(finding, false))}
    </>
  );
}

/** Findings of one cause together; they come one behind another. */
function grouped(findings: FindingView[]): FindingView[][] {
  const groups = new Map<string, FindingView[]>();
  for (const finding of findings) {
    const group = groups.get(finding.cause);
    if (group) group.push(finding);
    else groups.set(finding.cause, [finding]);
  }
  return [...groups.values()];
}
