/** Panels that are loaded later than the page: at the latest when they are first opened. */
import { lazy } from "react";

const fetchChoiceMenu = () => import("./ChoiceMenu");
const fetchPopoverPanel = () => import("./PopoverPanel");

export const ChoiceMenu = lazy(() => fetchChoiceMenu().then((made) => ({ default: made.ChoiceMenu })));
export const PopoverPanel = lazy(() => fetchPopoverPanel().then((made) => ({ default: made.PopoverPanel })));

/** Load them now. Whether one could be loaded is told where it is shown. */
export const fetchPanels = () => Promise.allSettled([fetchChoiceMenu(), fetchPopoverPanel()]);
