/** Choosing the file of the team's own page, replacing it, removing it; what was refused is said. */
import { Text } from "@chakra-ui/react";
import { useRef } from "react";
import { problemOf } from "../../api/client";
import { ToolButton } from "../../components/ToolButton";
import type { useOwnPage } from "./useOwnPage";

export function OwnPageTools({ page }: { page: ReturnType<typeof useOwnPage> }) {
  const choose = useRef<HTMLInputElement>(null);
  return (
    <>
      <input
        ref={choose}
        type="file"
        accept=".html,.htm,.svg,text/html,image/svg+xml"
        hidden
        aria-label="HTML file"
        onChange={(event) => {
          const file = event.target.files?.[0];
          if (file) page.keep.mutate(file);
          event.target.value = "";
        }}
      />
      <ToolButton onClick={() => choose.current?.click()}>
        {page.text === null ? "Choose an HTML or SVG file" : "Another file"}
      </ToolButton>
      {page.text !== null && <ToolButton onClick={() => page.remove.mutate()}>Remove the page</ToolButton>}
      {page.error && (
        <Text role="alert" fontWeight="700" fontSize="12px">
          {problemOf(page.error).message}
        </Text>
      )}
    </>
  );
}
