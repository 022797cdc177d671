/** Which picture is worked on, and what is done with it: text on it, or how others see it. */

import type { PictureView } from "../../../api/client";
import { Choice } from "../../../components/Choice";
import type { Item } from "../../../components/item";
import { look } from "../../../workspace/look";

export type Way = "text-on-picture" | "pictures-seen";

const WAYS: Item<Way>[] = [
  { value: "text-on-picture", words: "text on it" },
  { value: "pictures-seen", words: "as others see it" },
];

export const PictureWays = ({ way }: { way: Way }) => (
  <Choice label="Show" value={way} items={WAYS} onChoose={(area) => look({ area })} />
);

export function PictureTools({
  way,
  picture,
  pictures,
}: {
  way: Way;
  picture: PictureView;
  pictures: PictureView[];
}) {
  return (
    <>
      <Choice
        label="Picture"
        value={`${picture.id}`}
        items={pictures.map((each) => ({ value: `${each.id}`, words: each.name }))}
        onChoose={(id) => look({ picture: Number(id) })}
      />
      <PictureWays way={way} />
    </>
  );
}
