/** Keys of colors: `hue:ID`, `step:HUE/STEP`, `token:ID`. */

export const hueKey = (hue: string) => `hue:${hue}`;
export const tokenKey = (token: string) => `token:${token}`;
export const stepKey = (hue: string, step: string) => `step:${hue}/${step}`;

/** The id of the hue that a key of a hue or a step belongs to. */
export const hueOf = (key: string) => key.slice(key.indexOf(":") + 1).split("/")[0] ?? "";

/** The id of the step in a key of a step. */
export const stepOf = (key: string) => key.split("/")[1] ?? "";

/** A step as an edit names it. */
export const stepRef = (key: string) => ({ hue: hueOf(key), step: stepOf(key) });

/** The ids of hues that are chosen by one of their steps, each once. */
export const huesOf = (keys: readonly string[]) => [...new Set(keys.map(hueOf))];

/** What a dragged hue is told by, so that nothing else can be dropped among hues. */
export const HUE_DRAGGED = "application/x-heimat-hue";
