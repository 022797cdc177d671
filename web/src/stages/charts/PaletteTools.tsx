/** What can be done with the palette that is looked at, and with its color that is selected. */
import { Flex, Text } from "@chakra-ui/react";
import { memo } from "react";
import { client, data, type PaletteView } from "../../api/client";
import { edit } from "../../api/edits";
import { newId } from "../../api/ids";
import { Choice } from "../../components/Choice";
import { Switch } from "../../components/Switch";
import { TextField } from "../../components/TextField";
import { ToolButton } from "../../components/ToolButton";
import { copyColors } from "../../workspace/copyColors";
import { usePart, useWorkspace } from "../../workspace/hooks";
import { useInterface } from "../../workspace/interface";
import { look, useLook } from "../../workspace/look";
import { assigned, type Categorical, freeName, placeOf, remade } from "./palette";
import { RampTools } from "./RampTools";
import { useData } from "./useData";

const MORE = [
  { value: "duplicate", words: "Duplicate" },
  { value: "earlier", words: "Move earlier" },
  { value: "later", words: "Move later" },
  { value: "shapes", words: "Copy as shapes" },
  { value: "rows", words: "Copy as rows" },
  { value: "remove", words: "Remove" },
];

const NOT_COPIED = "The browser does not let anything be copied here.";

/** While a hue is dragged the colors change and what is done here does not: it is not drawn again. */
export const PaletteTools = memo(DrawnTools, (before, after) => sameMade(before.palette, after.palette));

const sameMade = (one: PaletteView, other: PaletteView) =>
  one.id === other.id &&
  one.name === other.name &&
  one.make === other.make &&
  one.ground === other.ground &&
  one.column === other.column &&
  one.colors.length === other.colors.length;

function DrawnTools({ palette }: { palette: PaletteView }) {
  const ids = usePart("palettes", (palettes) => palettes.map((each) => each.id).join(" ")).split(" ");
  const names = usePart("palettes", (palettes) => palettes.map((each) => each.name).join("\n")).split("\n");
  const grounds = usePart("palette_grounds");
  const { put, keep, say } = useWorkspace();
  const slug = useLook((at) => at.slug);
  const { shown } = useData();
  const place = ids.indexOf(palette.id);
  const kinds = palette.kind === "categorical" ? "word" : "number";
  const columns = shown?.columns.filter((each) => each.kind === kinds) ?? [];
  const more = (what: string) => {
    if (what === "shapes" || what === "rows") {
      const { notation } = useInterface.getState();
      const keys = palette.colors.map((color) => color.key);
      void copyColors(slug, keys, notation, what).then((done) =>
        say(done ? `${keys.length} colors of ${palette.name} copied.` : NOT_COPIED),
      );
    } else if (what === "remove") {
      void put(edit("remove_palette", { palette: palette.id }));
    } else if (what === "duplicate") {
      const id = newId();
      const { make, ground, column, name } = palette;
      const copy = edit("add_palette", { id, name: freeName(names, name), make, ground, column });
      void put(copy).then(() => look({ select: `palette:${id}` }));
    } else if (what === "earlier" && place > 0) {
      void put(edit("move_palette", { palette: palette.id, before: ids[place - 1] ?? null }));
    } else if (what === "later" && place < ids.length - 1) {
      void put(edit("move_palette", { palette: palette.id, before: ids[place + 2] ?? null }));
    }
  };
  return (
    <Flex gap="8px" wrap="wrap" align="center" paddingBlock="8px" data-testid="palette-tools">
      <TextField
        label={`Name of ${palette.name}`}
        hideLabel
        width="120px"
        value={palette.name}
        onCommit={(name) => keep([edit("rename_palette", { palette: palette.id, name })])}
      />
      <Choice
        label="On"
        value={palette.ground ?? ""}
        items={[
          { value: "", words: "white" },
          ...grounds.map(({ id, name }) => ({ value: id, words: name })),
        ]}
        onChoose={(ground) =>
          void put(edit("place_palette", { palette: palette.id, ground: ground === "" ? null : ground }))
        }
      />
      {columns.length > 0 && (
        <Choice
          label="Stands for"
          value={palette.column}
          items={[
            { value: "", words: kinds === "word" ? "its categories" : "the first number" },
            ...columns.map((each) => ({ value: each.name, words: each.name })),
            // Of other data than those that are drawn: what is drawn instead, the charts say.
            ...(palette.column === "" || columns.some((each) => each.name === palette.column)
              ? []
              : [{ value: palette.column, words: `${palette.column}, not in these data` }]),
          ]}
          onChoose={(column) =>
            void put(edit("describe_palette", { palette: palette.id, column, note: null }))
          }
        />
      )}
      {palette.kind === "categorical" ? <ColorTools palette={palette} /> : <RampTools palette={palette} />}
      <Flex gap="8px" marginLeft="auto">
        <Choice label="" of={`with ${palette.name}`} value="" otherwise="More" items={MORE} onChoose={more} />
      </Flex>
    </Flex>
  );
}

/** The color of a categorical palette that is selected. */
function ColorTools({ palette }: { palette: PaletteView }) {
  const slug = useLook((at) => at.slug);
  const { shown: dataset } = useData();
  const chosen = useLook((at) => placeOf(at.select)?.color);
  const { putFrom, keep } = useWorkspace();
  const make = palette.make as Categorical;
  const changed = (change: (now: Categorical) => Categorical) => remade(palette.id, change);
  const place = make.colors.findIndex((color) => color.id === chosen);
  const color = make.colors[place];
  const reversed = () => putFrom(changed((now) => ({ ...now, colors: [...now.colors].reverse() })));
  if (!color) {
    return (
      <>
        <ToolButton onClick={() => void reversed()}>Reverse</ToolButton>
        <Text fontSize="12px" color="fg.muted">
          Select a color to name, hold, replace or move it.
        </Text>
      </>
    );
  }
  type Color = typeof color;
  const withColor = (change: (color: Color) => Partial<Color>) =>
    changed((now) => ({
      ...now,
      colors: now.colors.map((each) => (each.id === color.id ? { ...each, ...change(each) } : each)),
    }));
  const moved = (by: number) =>
    putFrom(
      changed((now) => {
        const at = now.colors.findIndex((each) => each.id === color.id);
        const own = now.colors[at];
        if (!own || !now.colors[at + by]) return now;
        const colors = now.colors.filter((each) => each.id !== color.id);
        colors.splice(at + by, 0, own);
        return { ...now, colors };
      }),
    );
  const replace = async (text: string) => {
    const named = await data(
      client.GET("/api/systems/{slug}/value-named", { params: { path: { slug }, query: { text } } }),
    );
    await keep(withColor(() => ({ value: named.value as Color["value"], shades: {} })));
  };
  const number = place + 1;
  const column = dataset?.columns.find((each) => each.name === palette.column);
  // Of data that are there the categories are chosen, else they are typed.
  const categories = column
    ? [...new Set([...column.words, ...make.colors.map((each) => each.category ?? "")])].filter(Boolean)
    : [];
  return (
    <>
      <ToolButton onClick={() => void reversed()}>Reverse</ToolButton>
      {categories.length > 0 && (
        <Choice
          label=""
          of={`for color ${number}`}
          value={color.category ?? ""}
          items={[
            { value: "", words: `${number} stands for none` },
            ...categories.map((each) => ({ value: each, words: each })),
          ]}
          onChoose={(category) =>
            void putFrom(
              changed((now) =>
                assigned(
                  now,
                  now.colors.findIndex((each) => each.id === color.id),
                  category,
                ),
              ),
            )
          }
        />
      )}
      {!column && (
        <TextField
          key={`category ${color.id}`}
          label={`What color ${number} stands for`}
          hideLabel
          placeholder={`What ${number} stands for`}
          width="140px"
          value={color.category ?? ""}
          onCommit={(category) => keep(withColor(() => ({ category })))}
        />
      )}
      <ValueField key={`value ${color.id}`} palette={palette.id} place={place} onCommit={replace} />
      <Switch
        on={color.held ?? false}
        onClick={() => void putFrom(withColor(({ held }) => ({ held: !held })))}
      >
        Hold {number}
      </Switch>
      <ToolButton disabled={place === 0} onClick={() => void moved(-1)}>
        Earlier
      </ToolButton>
      <ToolButton disabled={number === make.colors.length} onClick={() => void moved(1)}>
        Later
      </ToolButton>
      {make.colors.length > 1 && (
        <ToolButton
          onClick={() => {
            const out = (each: Color) => each.id !== color.id;
            const colors = make.colors.filter(out);
            void putFrom(
              changed((now) => (now.colors.length > 1 ? { ...now, colors: now.colors.filter(out) } : now)),
            );
            look({ select: `palette:${palette.id}/${colors[Math.min(place, colors.length - 1)]?.id}` });
          }}
        >
          Take {number} out
        </ToolButton>
      )}
    </>
  );
}

/** The value of a color, as it is while it follows what is dragged. */
function ValueField({
  palette,
  place,
  onCommit,
}: {
  palette: string;
  place: number;
  onCommit: (text: string) => Promise<unknown>;
}) {
  const hex = usePart(
    "palettes",
    (palettes) => palettes.find((each) => each.id === palette)?.colors[place]?.hex ?? "",
  );
  return (
    <TextField
      label={`Value of color ${place + 1}: a name or a color`}
      hideLabel
      mono
      width="110px"
      value={hex}
      onCommit={onCommit}
    />
  );
}
