/** The typeface that samples are set in: the team's own, or Heimat's. */
import { Text } from "@chakra-ui/react";
import { useRef } from "react";
import { problemOf } from "../../../api/client";
import { ToolButton } from "../../../components/ToolButton";
import type { useTypeface } from "./useTypeface";

export function TypefaceTools({ typeface }: { typeface: ReturnType<typeof useTypeface> }) {
  const choose = useRef<HTMLInputElement>(null);
  const { name, broken, keep, remove, error } = typeface;
  return (
    <>
      <input
        ref={choose}
        type="file"
        accept=".woff2,.ttf,.otf,font/woff2,font/ttf,font/otf"
        hidden
        aria-label="A font file"
        onChange={(event) => {
          const file = event.target.files?.[0];
          if (file) keep.mutate(file);
          event.target.value = "";
        }}
      />
      <ToolButton
        title="WOFF2, TTF or OTF, up to 2 MB; it stays with the system"
        onClick={() => choose.current?.click()}
      >
        {name ? `Set in ${name}` : "Set in our own typeface"}
      </ToolButton>
      {name && <ToolButton onClick={() => remove.mutate()}>Remove {name}</ToolButton>}
      {(error || broken) && (
        <Text role="alert" fontSize="12px" fontWeight="700">
          {error ? problemOf(error).message : broken}
        </Text>
      )}
    </>
  );
}
