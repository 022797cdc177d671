/** The ready-made ladders as they are chosen. */
import { READY_LADDERS } from "../../api/constants.generated";

export const READY_LADDER_ITEMS: { value: string; words: string }[] = READY_LADDERS.map(
  ({ name, steps }) => ({
    value: name,
    words: `${steps}, ${name}`,
  }),
);
