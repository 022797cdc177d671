/**
 * What browsers bring along is set back, element by element. A rule for every element, or for what stands before and
 * after each, costs at every color that moves: each of them is then worked out again for all that has that color.
 */
import type { SystemConfig } from "@chakra-ui/react";

const SET_IN_TYPE =
  "h1, h2, h3, h4, h5, h6, button, input, optgroup, option, select, textarea, th, legend, address, dfn";

/** Known to some browsers alone, and so not to the types. */
const SMOOTH = { WebkitFontSmoothing: "antialiased", MozOsxFontSmoothing: "grayscale" };

export const reset: SystemConfig["globalCss"] = {
  "*": { boxSizing: "border-box", borderWidth: "0px", borderStyle: "solid", borderColor: "var(--line)" },
  [SET_IN_TYPE]: { font: "inherit" },
  "body, h1, h2, h3, h4, h5, h6, p, ul, ol, dl, dd, menu, figure, blockquote, pre, fieldset, hr, input, button, select, textarea, dialog":
    { margin: "0px" },
  "ul, ol, menu, fieldset, legend, input, button, select, textarea, optgroup, option, th, td, dialog": {
    padding: "0px",
  },
  html: {
    color: "fg",
    bg: "bg",
    colorPalette: "gray",
    overflowWrap: "break-word",
    fontFamily: "body",
    textRendering: "optimizeLegibility",
    touchAction: "manipulation",
    tabSize: "4",
    WebkitTapHighlightColor: "transparent",
    textSizeAdjust: "100%",
    ...SMOOTH,
  },
  hr: { height: "0px", color: "inherit", borderTopWidth: "1px" },
  "img, svg, video, canvas, iframe, object": { display: "block", verticalAlign: "middle" },
  "img, video": { maxWidth: "100%", height: "auto" },
  "ol, ul, menu": { listStyle: "none" },
  "button, [type='button'], [type='reset'], [type='submit']": {
    WebkitAppearance: "button",
    backgroundColor: "transparent",
    backgroundImage: "none",
  },
  "button, input, optgroup, select, textarea": { color: "inherit" },
  "button, select": { textTransform: "none" },
  table: { textIndent: "0px", borderColor: "inherit", borderCollapse: "collapse" },
  textarea: { resize: "vertical" },
  summary: { display: "list-item" },
  a: { color: "inherit", textDecoration: "inherit" },
  "b, strong": { fontWeight: "bolder" },
  "i, em": { fontStyle: "italic" },
  small: { fontSize: "80%" },
  "code, kbd, samp, pre": { fontSize: "1em", fontFamily: "mono" },
  "input[type='text'], input[type='email'], input[type='search'], input[type='password']": {
    WebkitAppearance: "none",
  },
  "input[type='search']": { WebkitAppearance: "textfield", outlineOffset: "-2px" },
  "::-webkit-search-decoration, ::-webkit-search-cancel-button": { WebkitAppearance: "none" },
  "input::placeholder, textarea::placeholder": { opacity: 1, color: "fg.muted/80", userSelect: "none" },
  "::selection": { bg: "colorPalette.emphasized/80" },
  "[hidden]:where(:not([hidden='until-found']))": { display: "none !important" },
};
