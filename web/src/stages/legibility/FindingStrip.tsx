/** One finding at a time, with the best way to settle it, while a work area has the sheet. */
import { lazy, useState } from "react";
import type { RepairView } from "../../api/client";
import { Opener } from "../../components/Opener";
import { OpenMark } from "../../components/OpenMark";
import { Swatch } from "../../components/Swatch";
import { TOOL, ToolButton } from "../../components/ToolButton";
import { useKnown, usePart, useWorkspace } from "../../workspace/hooks";
import { look, useLook } from "../../workspace/look";
import styles from "./strip.module.css";

const RepairMenu = lazy(() => import("./RepairMenu").then((made) => ({ default: made.RepairMenu })));

export function FindingStrip() {
  const findings = usePart("findings");
  const select = useLook((at) => at.select);
  const themes = usePart("head", (head) => head.themes);
  const known = useKnown(({ parts }) => parts?.repairs);
  const { put } = useWorkspace();
  // The one that was gone to, while it is there; else the first on what is selected, else the worst.
  const [id, setId] = useState<string | null>(null);
  const place = Math.max(
    findings.findIndex((each) => each.id === id) >= 0
      ? findings.findIndex((each) => each.id === id)
      : findings.findIndex((each) => each.select === select),
    0,
  );
  const finding = findings[place];
  if (!finding) return <p className={styles.none}>Nothing to settle.</p>;
  const theme = themes.length > 1 && themes.find((each) => each.id === finding.theme)?.name;
  const [best, ...others] = known?.find((each) => each.finding === finding.id)?.repairs ?? [];
  const go = (by: number) => {
    const next = findings[place + by];
    if (!next) return;
    setId(next.id);
    look({ select: next.select, ...(next.theme ? { theme: next.theme } : {}) });
  };
  const settle = (repair: RepairView) => void put(...repair.edits);
  const [one, other] = finding.colors;
  return (
    <section className={styles.strip} aria-label="Finding">
      <span
        className={styles.pair}
        data-sample
        style={{ background: `linear-gradient(90deg, ${one?.seen} 50%, ${other?.seen ?? one?.seen} 50%)` }}
      />
      <p className={styles.words} title={`${finding.sentence} ${finding.detail}`}>
        <strong>{finding.sentence}</strong>
        {theme && ` In ${theme}.`}
      </p>
      {best && (
        <ToolButton
          aria-label={`${best.words} ${best.consequence}, so that it is settled: ${finding.sentence}`}
          onClick={() => settle(best)}
        >
          <Swatch seen={best.seen} />
          {best.words} <span className={styles.faint}>{best.consequence}</span>
        </ToolButton>
      )}
      {others.length > 0 && (
        <Opener
          opens="menu"
          {...TOOL}
          variant="plain"
          paddingInline="4px"
          panel={(opened) => <RepairMenu {...opened} repairs={others} onChoose={settle} />}
        >
          {others.length} more {others.length === 1 ? "way" : "ways"}
          <OpenMark />
        </Opener>
      )}
      <span className={styles.place}>
        {place + 1} of {findings.length}
      </span>
      <ToolButton disabled={place === 0} onClick={() => go(-1)}>
        Earlier
      </ToolButton>
      <ToolButton disabled={place === findings.length - 1} onClick={() => go(1)}>
        Later
      </ToolButton>
    </section>
  );
}
