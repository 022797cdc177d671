/** Which data the charts are drawn from; a table can be brought from a file too. */
import { useRef } from "react";
import { client, data } from "../../api/client";
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
  const choose = async (value: string) => {
    if (value === OPEN) file.current?.click();
    else if (value === REMOVE && shown) {
      await data(
        client.DELETE("/api/systems/{slug}/data/{dataset}", {
          params: { path: { slug, dataset: shown.id } },
        }),
      );
      await again();
    } else useInterface.getState().set({ dataset: Number(value) });
  };
  return (
    <>
      {all.length > 0 ? (
        <Choice
          label="Data"
          value={`${shown?.id ?? ""}`}
          items={[
            ...all.map((each) => ({ value: `${each.id}`, words: each.name })),
            { value: OPEN, words: "Open a table (CSV)" },
            { value: REMOVE, words: `Remove ${shown?.name ?? ""}` },
          ]}
          onChoose={(value) => void choose(value)}
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
