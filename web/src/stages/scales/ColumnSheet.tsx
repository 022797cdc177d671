/** One column: the steps of all hues under one label, edge to edge, and below what they weigh as gray. */

import { Flex, Text } from "@chakra-ui/react";
import { type KeyboardEvent, useRef } from "react";
import { usePart } from "../../workspace/hooks";
import { look, useLook } from "../../workspace/look";
import styles from "./column.module.css";

export function ColumnSheet() {
  const column = usePart("scale_detail", (detail) => detail?.column);
  const select = useLook((at) => at.select);
  const strip = useRef<HTMLDivElement>(null);
  if (!column) return <Text>Select a step: its column is shown here, all hues side by side.</Text>;
  const { label, members, words } = column;
  const entry = members.some((member) => member.key === select) ? select : members[0]?.key;
  const onKeyDown = (event: KeyboardEvent) => {
    const by = event.key === "ArrowRight" ? 1 : event.key === "ArrowLeft" ? -1 : 0;
    const at = members.findIndex((member) => member.key === entry);
    const to = members[at + by];
    if (by === 0 || !to) return;
    look({ select: to.key });
    strip.current?.querySelector<HTMLElement>(`[data-key="${CSS.escape(to.key)}"]`)?.focus();
    event.preventDefault();
  };
  return (
    <section aria-label={`All ${label}`} data-testid="column">
      <Text fontSize="13px" marginBottom="8px">
        <strong>All {label}</strong>. {words}
      </Text>
      <div
        ref={strip}
        role="listbox"
        aria-label={`Steps ${label} of all hues`}
        aria-orientation="horizontal"
        tabIndex={-1}
        className={styles.column}
        onKeyDown={onKeyDown}
      >
        {members.map((member) => (
          <div
            key={member.key}
            role="option"
            aria-selected={member.key === select}
            tabIndex={member.key === entry ? 0 : -1}
            data-key={member.key}
            className={styles.member}
            style={{ background: member.seen, color: member.ink }}
            onClick={() => look({ select: member.key })}
            onKeyDown={(event) => event.key === "Enter" && look({ select: member.key })}
          >
            <strong>{member.hue}</strong> <span>{member.hex}</span>{" "}
            <span>L* {member.lightness.toFixed(1)}</span> <span>C {member.chroma.toFixed(3)}</span>
            {member.key === select && <i className={styles.selected} />}
          </div>
        ))}
      </div>
      <div className={styles.grays} role="img" aria-label={`As gray: ${words}`}>
        {members.map((member) => (
          <span key={member.key} style={{ background: member.gray }} />
        ))}
      </div>
      <Flex justify="space-between" fontSize="12px" color="fg.muted" marginTop="4px">
        <Text>Above as they are, below what each weighs as gray. Left and right walk the hues.</Text>
      </Flex>
    </section>
  );
}
