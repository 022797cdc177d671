/** Candidates: colors that wait beside the set, each edge to edge with all of it, until they join or go. */

import { Box, Flex, Text } from "@chakra-ui/react";
import { useState } from "react";
import type { CandidateView } from "../../api/client";
import { edit } from "../../api/edits";
import { Choice } from "../../components/Choice";
import { TextField } from "../../components/TextField";
import { ToolButton } from "../../components/ToolButton";
import { usePart, useWorkspace } from "../../workspace/hooks";
import { useInterface } from "../../workspace/interface";
import type { Making } from "../../workspace/known";
import { counted, useAdding } from "./adding";
import styles from "./candidates.module.css";
import { KIND_ITEMS, kindOf } from "./kinds";

export function Candidates() {
  const candidates = usePart("candidates");
  const hues = usePart("hues");
  const { make } = useAdding();
  const [selected, setSelected] = useState<string | null>(null);
  if (candidates.length === 0) return null;
  const all = candidates.map((candidate) => candidate.id);
  return (
    <Box as="section" aria-label="Candidates" marginTop="8px">
      <Flex justify="space-between" align="center" fontSize="12px" marginBottom="2px" gap="8px">
        <Text fontWeight="700">Candidates</Text>
        <Text color="fg.muted">
          {counted(candidates.length, "candidate")}, edge to edge with {counted(hues.length, "hue")}
        </Text>
        <Flex gap="4px" marginLeft="auto">
          <ToolButton onClick={() => void make([edit("join_candidates", { candidates: all })])}>
            Let all join
          </ToolButton>
          <ToolButton onClick={() => void make([edit("remove_candidates", { candidates: all })])}>
            Let all go
          </ToolButton>
        </Flex>
      </Flex>
      {candidates.map((candidate) => (
        <Candidate
          key={candidate.id}
          candidate={candidate}
          open={candidate.id === selected}
          onOpen={() => setSelected(candidate.id === selected ? null : candidate.id)}
        />
      ))}
    </Box>
  );
}

interface Props {
  candidate: CandidateView;
  open: boolean;
  onOpen: () => void;
}

function Candidate({ candidate, open, onOpen }: Props) {
  const hues = usePart("hues");
  const { keep, putFrom } = useWorkspace();
  const { make } = useAdding();
  const { print } = useInterface();
  const near = candidate.near;
  const { id } = candidate;
  /** From how it is when the edit's turn comes: a name that is still on its way stays when a kind is chosen. */
  const set =
    (change: Partial<Pick<CandidateView, "name" | "kind" | "status">>): Making =>
    ({ candidates }) => {
      const { name, kind, status } = candidates?.find((each) => each.id === id) ?? candidate;
      return [edit("set_candidate", { candidate: id, name, kind, status, ...change })];
    };
  const some = { candidates: [candidate.id] };
  return (
    <>
      <button
        type="button"
        className={styles.candidate}
        aria-expanded={open}
        data-candidate={candidate.hex}
        onClick={onOpen}
      >
        <span className={styles.own} style={{ background: candidate.seen, color: candidate.ink }}>
          {print !== "nothing" && (
            <>
              <strong>{candidate.name || "unnamed"}</strong>
              <span className={styles.value}>{candidate.text}</span>
              <span className={styles.words}>
                {near?.same
                  ? `hardly different from ${near.name}, CIEDE2000 ${near.distance}`
                  : candidate.note}
              </span>
            </>
          )}
        </span>
        {hues.map((hue) => (
          <span key={hue.id} className={styles.hue} style={{ background: hue.seen }} />
        ))}
      </button>
      {open && (
        <Flex gap="12px" align="flex-end" padding="8px 14px 10px" bg="bg.subtle" wrap="wrap">
          <TextField
            label="Name of the candidate"
            value={candidate.name}
            width="150px"
            placeholder="named by its color"
            onCommit={(name) => keep(set({ name }))}
          />
          <Choice
            label="Kind"
            value={candidate.status ?? candidate.kind}
            items={KIND_ITEMS}
            onChoose={(value) => void putFrom(set(kindOf(value)))}
          />
          {near && (
            <Text fontSize="12px" color="fg.muted" paddingBottom="4px">
              nearest to {near.name}, CIEDE2000 {near.distance}
            </Text>
          )}
          <Flex gap="4px" marginLeft="auto">
            <ToolButton onClick={() => void make([edit("join_candidates", some)])}>Let it join</ToolButton>
            <ToolButton onClick={() => void make([edit("remove_candidates", some)])}>Let it go</ToolButton>
          </Flex>
        </Flex>
      )}
    </>
  );
}
