/** The hue whose scale is shown in all detail. */
import type { HueView, SystemView } from "../../../api/client";

export const openedHue = (view: SystemView): HueView | undefined =>
  view.hues.find((hue) => hue.id === view.opened?.hue);
