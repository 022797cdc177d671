/** The selected color in every notation; one click copies one. */

import { memo, useState } from "react";
import type { Notation, SlipView } from "../api/client";
import { Opener } from "../components/Opener";
import { PopoverPanel } from "../components/panels";
import { TOOL } from "../components/ToolButton";
import { copyText } from "../util/copy";
import { usePart } from "../workspace/hooks";
import { useInterface } from "../workspace/interface";
import styles from "./slip.module.css";

const FIRST: string[] = ["hex", "rgb"];
/** What stands third until another notation has been chosen by copying it. */
const THIRD = "oklch";
const COPIED_MS = 900;

interface Props {
  notations: SlipView["notations"];
  /** The value in display-p3, where it has one of its own there. */
  wide: string | null;
}

/** The numbers alone, with fewer decimals than what is copied. */
function glance(notation: string, text: string): string {
  const inner = /^[a-z]+\((.*)\)$/.exec(text)?.[1] ?? text;
  return inner.replace("display-p3 ", "").replace(/\d+\.\d+/g, (number) => {
    const places = (notation === "oklch" || notation === "p3") && Number(number) < 1 ? 3 : 1;
    return String(Number(Number(number).toFixed(places)));
  });
}

function Line({ notation, text, whole = false }: { notation: string; text: string; whole?: boolean }) {
  const [copied, setCopied] = useState(false);
  const set = useInterface((state) => state.set);
  const copy = async () => {
    if (notation !== "p3") set({ notation: notation as Notation });
    setCopied(await copyText(text));
    setTimeout(() => setCopied(false), COPIED_MS);
  };
  return (
    <button
      type="button"
      className={whole ? `${styles.line} ${styles.whole}` : styles.line}
      style={{ fontWeight: notation === "hex" ? 700 : 400 }}
      title={`Copy ${text}`}
      onClick={() => void copy()}
    >
      <span className={styles.notation}>{notation}</span>{" "}
      <span className={styles.cut}>{copied ? "copied" : whole ? text : glance(notation, text)}</span>
    </button>
  );
}

/** Those that stand in the slip all the time: they move with the color. */
export function SlipNotations({ notations, wide }: Props) {
  const chosen = useInterface((state) => state.notation);
  const third = FIRST.includes(chosen) ? THIRD : chosen;
  // What goes beyond sRGB stands third: both values are published.
  const glanced = wide ? FIRST : [...FIRST, third];
  return (
    <div className={styles.notations}>
      {notations
        .filter((each) => glanced.includes(each.notation))
        .map((each) => (
          <Line key={each.notation} {...each} />
        ))}
      {wide && <Line notation="p3" text={wide} />}
      <All />
    </div>
  );
}

/** All notations, in a sheet of its own that is only drawn once it is opened. */
const All = memo(function All() {
  return (
    <Opener
      opens="dialog"
      panel={(opened) => (
        <PopoverPanel {...opened} label="All notations" placement="top-end" width="420px" padding="8px">
          <EveryLine />
        </PopoverPanel>
      )}
      {...TOOL}
      position="absolute"
      top="4px"
      right="6px"
      variant="ghost"
      aria-label="All notations"
    >
      all
    </Opener>
  );
});

function EveryLine() {
  const notations = usePart("slip", (slip) => slip?.notations);
  return notations?.map((each) => <Line key={each.notation} {...each} whole />);
}
