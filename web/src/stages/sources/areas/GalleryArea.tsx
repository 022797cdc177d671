/** Gallery: sets of colors to search by words or by a color, to take from, and to save one's own in. */
import { Box, Flex, Input, Text } from "@chakra-ui/react";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { client, data, type GallerySetView, problemOf } from "../../../api/client";
import { Strip } from "../../../parts/Strip";
import { Tool } from "../../../parts/Tool";
import { useLooking } from "../../../state/looking";
import { useView } from "../../../state/workspace";
import { counted, useAdding } from "../adding";
import { Area } from "./Area";

export function GalleryArea() {
  const { slip } = useView();
  const { seeing } = useLooking();
  const { add, wait } = useAdding();
  const [text, setText] = useState("");
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
  const query = useQuery({
    queryKey: ["gallery", text, seeing],
    queryFn: () => data(client.GET("/api/gallery", { params: { query: { text, ...seeing } } })),
    placeholderData: (before) => before,
  });
  const sets = query.data ?? [];
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
  const take = (send: (found: typeof taken) => Promise<boolean>) =>
    void send(taken).then((done) => done && setChosen(new Set()));
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
            <Tool onClick={() => setText(slip.hex)} aria-label={`Sets with a color like ${slip.name}`}>
              Like {slip.name}
            </Tool>
          )}
        </>
      }
      actions={
        <>
          <Tool disabled={taken.length === 0} onClick={() => take(add)}>
            Add {counted(taken.length, "hue")}
          </Tool>
          <Tool disabled={taken.length === 0} onClick={() => take(wait)}>
            Let {taken.length === 1 ? "it" : taken.length} wait
          </Tool>
        </>
      }
    >
      <SaveSet />
      {query.error && <Text fontWeight="700">{problemOf(query.error).message}</Text>}
      {sets.length === 0 && query.data && (
        <Text marginTop="8px">No set holds these words. Try fewer words, or a color.</Text>
      )}
      {sets.map((set) => (
        <GallerySet key={set.id} set={set} chosen={chosen} onToggle={toggle} />
      ))}
    </Area>
  );
}

interface SetProps {
  set: GallerySetView;
  chosen: ReadonlySet<string>;
  onToggle: (keys: string[]) => void;
}

function GallerySet({ set, chosen, onToggle }: SetProps) {
  const queries = useQueryClient();
  const places = new Set(
    set.colors.map((_, place) => place).filter((place) => chosen.has(`${set.id}/${place}`)),
  );
  const all = places.size === set.colors.length;
  const toggleAll = () => {
    const every = set.colors.map((_, place) => place);
    onToggle(every.filter((place) => all || !places.has(place)).map((place) => `${set.id}/${place}`));
  };
  const remove = async () => {
    await data(
      client.DELETE("/api/gallery/{set_id}", {
        params: { path: { set_id: set.id } },
        parseAs: "text",
      }) as never,
    ).catch(() => undefined);
    void queries.invalidateQueries({ queryKey: ["gallery"] });
  };
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
      <Tool onClick={toggleAll} aria-label={`${all ? "Take none" : "Take all"} of ${set.name}`}>
        {all ? "None" : "All"}
      </Tool>
      {set.mine && (
        <Tool onClick={() => void remove()} aria-label={`Remove ${set.name} from the gallery`}>
          Remove
        </Tool>
      )}
    </Flex>
  );
}

/** The present hues, or the candidates, under a name and words. */
function SaveSet() {
  const { hues, candidates, name: system } = useView();
  const queries = useQueryClient();
  const [open, setOpen] = useState(false);
  const [name, setName] = useState("");
  const [words, setWords] = useState("");
  const [out, setOut] = useState<ReadonlySet<number>>(new Set());
  const [said, setSaid] = useState<string | null>(null);
  const colors = [...hues, ...candidates].map((color) => ({ ...color, name: color.name || color.hex }));
  if (!open)
    return (
      <Flex gap="8px" align="center">
        <Tool disabled={colors.length === 0} onClick={() => setOpen(true)}>
          Save a set of these hues
        </Tool>
        {said && <Text fontSize="12px">{said}</Text>}
      </Flex>
    );
  const kept = colors.filter((_, place) => !out.has(place));
  const save = async () => {
    try {
      const body = { name, words, colors: kept.map((color) => ({ name: color.name, color: color.hex })) };
      await data(client.POST("/api/gallery", { body: body as never }));
      setSaid(`${name.trim()} is in the gallery.`);
      setOpen(false);
      setName("");
      setWords("");
      void queries.invalidateQueries({ queryKey: ["gallery"] });
    } catch (thrown) {
      setSaid(problemOf(thrown).message);
    }
  };
  return (
    <Box bg="bg.subtle" padding="8px 12px">
      <Strip
        colors={colors}
        height={36}
        label="Colors to save; press one to leave it out"
        chosen={new Set(colors.map((_, place) => place).filter((place) => !out.has(place)))}
        onToggle={(place) => {
          const next = new Set(out);
          if (!next.delete(place)) next.add(place);
          setOut(next);
        }}
        texts={colors.map((color) => color.name)}
      />
      <Flex gap="8px" marginTop="8px" align="center" wrap="wrap">
        <Input
          aria-label="Name of the set"
          placeholder={`Name, for example ${system} in spring`}
          size="2xs"
          height="26px"
          width="220px"
          value={name}
          onChange={(event) => setName(event.target.value)}
        />
        <Input
          aria-label="Words for the set"
          placeholder="Words to find it by"
          size="2xs"
          height="26px"
          width="280px"
          value={words}
          onChange={(event) => setWords(event.target.value)}
        />
        <Tool onClick={() => void save()}>Save {counted(kept.length, "color")}</Tool>
        <Tool onClick={() => setOpen(false)}>Not now</Tool>
        {said && (
          <Text fontSize="12px" fontWeight="700">
            {said}
          </Text>
        )}
      </Flex>
    </Box>
  );
}
