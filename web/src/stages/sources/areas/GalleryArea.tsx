/** Gallery: sets of colors to search by words or by a color, to take from, and to save one's own in. */

import { Box, Flex, Input, Text } from "@chakra-ui/react";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { client, data, type GallerySetView, problemOf } from "../../../api/client";
import { Strip } from "../../../components/Strip";
import { ToolButton } from "../../../components/ToolButton";
import { draftKey, useShapedDraft } from "../../../util/drafts";
import { usePart } from "../../../workspace/hooks";
import { useLook, useSeeing } from "../../../workspace/look";
import { useRemoval } from "../../../workspace/useRemoval";
import { Area } from "../../shared/Area";
import { SaveSet, type SetDraft } from "./SaveSet";
import { TakeTools } from "./TakeTools";

export function GalleryArea() {
  const slip = usePart("slip");
  const hues = usePart("hues");
  const candidates = usePart("candidates");
  const seeing = useSeeing();
  const [text, setText] = useState("");
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
  const slug = useLook((at) => at.slug);
  const [saving, setSaving] = useShapedDraft<SetDraft>(draftKey("gallery-set", slug));
  const [said, setSaid] = useState<string | null>(null);
  const query = useQuery({
    queryKey: ["gallery", text, seeing],
    queryFn: () => data(client.GET("/api/gallery", { params: { query: { text, ...seeing } } })),
    placeholderData: (before) => before,
  });
  const removal = useRemoval();
  const sets = (query.data ?? []).filter((set) => !removal.gone.has(set.id));
  const taken = sets.flatMap((set) =>
    set.colors
      .filter((_, place) => chosen.has(`${set.id}/${place}`))
      .map((color) => ({ name: color.name, color: color.hex, note: `from the gallery: ${set.name}` })),
  );
  const toggle = (keys: string[]) => {
    const next = new Set(chosen);
    for (const key of keys) if (!next.delete(key)) next.add(key);
    setChosen(next);
  };
  return (
    <Area
      title="Gallery"
      tools={
        <>
          <Input
            aria-label="Search the gallery by words or by a color"
            placeholder="words, or a color such as #0B6E6E"
            size="2xs"
            height="26px"
            width="230px"
            fontSize="13px"
            borderColor="border.emphasized"
            value={text}
            onChange={(event) => setText(event.target.value)}
          />
          {slip && (
            <ToolButton onClick={() => setText(slip.hex)} aria-label={`Sets with a color like ${slip.name}`}>
              Like {slip.name}
            </ToolButton>
          )}
          <ToolButton
            disabled={saving !== null || hues.length + candidates.length === 0}
            onClick={() => {
              setSaving({ name: "", words: "", out: [] });
              setSaid(null);
            }}
          >
            Save a set of these hues
          </ToolButton>
        </>
      }
      actions={<TakeTools taken={taken} onDone={() => setChosen(new Set())} />}
    >
      {saving && (
        <SaveSet
          draft={saving}
          onDraft={setSaving}
          onSaved={(name) => {
            setSaving(null);
            setSaid(`${name} is in the gallery.`);
          }}
          onLeave={() => setSaving(null)}
        />
      )}
      {said && (
        <Text role="status" fontSize="12px" marginTop="4px">
          {said}
        </Text>
      )}
      {query.error && <Text fontWeight="700">{problemOf(query.error).message}</Text>}
      {sets.length === 0 && query.data && (
        <Text marginTop="8px">No set holds these words. Try fewer words, or a color.</Text>
      )}
      {sets.map((set) => (
        <GallerySet key={set.id} set={set} chosen={chosen} onToggle={toggle} onRemove={removal.remove} />
      ))}
    </Area>
  );
}

interface SetProps {
  set: GallerySetView;
  chosen: ReadonlySet<string>;
  onToggle: (keys: string[]) => void;
  onRemove: ReturnType<typeof useRemoval>["remove"];
}

function GallerySet({ set, chosen, onToggle, onRemove }: SetProps) {
  const queries = useQueryClient();
  const places = new Set(
    set.colors.map((_, place) => place).filter((place) => chosen.has(`${set.id}/${place}`)),
  );
  const all = places.size === set.colors.length;
  const toggleAll = () => {
    const every = set.colors.map((_, place) => place);
    onToggle(every.filter((place) => all || !places.has(place)).map((place) => `${set.id}/${place}`));
  };
  const remove = () =>
    onRemove(set.id, set.name, async () => {
      const path = { set_id: set.id };
      await data(client.DELETE("/api/gallery/{set_id}", { params: { path }, keepalive: true }));
      void queries.invalidateQueries({ queryKey: ["gallery"] });
    });
  return (
    <Flex align="center" gap="12px" marginTop="6px" fontSize="12px" data-set={set.name}>
      <Box flex="1 1 46%" minWidth="0">
        <Strip
          colors={set.colors}
          height={40}
          label={`${set.name}; press colors to take them`}
          chosen={places}
          onToggle={(place) => onToggle([`${set.id}/${place}`])}
          texts={set.colors.map((color) => color.name)}
        />
      </Box>
      <Box flex="1 1 40%" minWidth="0">
        <Text>
          <strong>{set.name}</strong>
          {set.distance ? `, ${set.distance} away in OKLab` : ""}
        </Text>
        <Text color="fg.muted" truncate title={set.words}>
          {set.words}
        </Text>
      </Box>
      <ToolButton onClick={toggleAll} aria-label={`${all ? "Take none" : "Take all"} of ${set.name}`}>
        {all ? "None" : "All"}
      </ToolButton>
      {set.mine && (
        <ToolButton onClick={remove} aria-label={`Remove ${set.name} from the gallery`}>
          Remove
        </ToolButton>
      )}
    </Flex>
  );
}
