/** Which data the charts are drawn from; a table can be brought from a file too. */
import { Text } from "@chakra-ui/react";
import { useRef, useState } from "react";
import { client, type DatasetView, data, problemOf } from "../../api/client";
import { Choice } from "../../components/Choice";
import { ToolButton } from "../../components/ToolButton";
import { useInbox } from "../../workspace/inbox";
import { useInterface } from "../../workspace/interface";
import { useLook } from "../../workspace/look";
import { useData } from "./useData";

const OPEN = "open";
const REMOVE = "remove";

export function DataChoice() {
  const slug = useLook((at) => at.slug);
  const { all, shown, again } = useData();
  const file = useRef<HTMLInputElement>(null);
  /** The table that is to be removed, which is asked once more: it does not come back. */
  const [going, setGoing] = useState<DatasetView | null>(null);
  const [problem, setProblem] = useState("");
  const choose = (value: string) => {
    setProblem("");
    if (value === OPEN) file.current?.click();
    else if (value === REMOVE) setGoing(shown ?? null);
    else useInterface.getState().set({ dataset: Number(value) });
  };
  const remove = async (dataset: DatasetView) => {
    setGoing(null);
    try {
      await data(
        client.DELETE("/api/systems/{slug}/data/{dataset}", {
          params: { path: { slug, dataset: dataset.id } },
        }),
      );
    } catch (thrown) {
      setProblem(`${dataset.name} is still there. ${problemOf(thrown).message}`);
    }
    await again();
  };
  if (going) {
    return (
      <>
        <Text fontSize="12px" role="status">
          Remove {going.name} with its {going.rows.toLocaleString("en-US")} rows? It does not come back.
        </Text>
        <ToolButton autoFocus onClick={() => void remove(going)}>
          Remove {going.name}
        </ToolButton>
        <ToolButton onClick={() => setGoing(null)}>Keep it</ToolButton>
      </>
    );
  }
  return (
    <>
      {problem && (
        <Text role="alert" fontSize="12px" fontWeight="700">
          {problem}
        </Text>
      )}
      {all.length > 0 ? (
        <Choice
          label="Data"
          value={`${shown?.id ?? ""}`}
          items={[
            ...all.map((each) => ({ value: `${each.id}`, words: each.name })),
            { value: OPEN, words: "Open a table (CSV)" },
            { value: REMOVE, words: `Remove ${shown?.name ?? ""}` },
          ]}
          onChoose={choose}
        />
      ) : (
        <ToolButton onClick={() => file.current?.click()}>Open a table (CSV)</ToolButton>
      )}
      <input
        ref={file}
        type="file"
        accept=".csv,.tsv,text/csv"
        hidden
        aria-label="A table of data"
        onChange={(event) => {
          useInbox.getState().put(Array.from(event.target.files ?? []), "");
          event.target.value = "";
        }}
      />
    </>
  );
}
