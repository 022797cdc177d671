/** The achromatic Chakra system: black, white, grays, hairlines, corners of two pixels. */
import { createSystem, defineConfig } from "@chakra-ui/react";
import { defaultBaseConfig } from "@chakra-ui/react/preset-base";
import {
  animationStyles,
  breakpoints,
  buttonRecipe,
  comboboxSlotRecipe,
  cssVarsPrefix,
  cssVarsRoot,
  dialogSlotRecipe,
  fieldSlotRecipe,
  headingRecipe,
  iconRecipe,
  inputRecipe,
  kbdRecipe,
  keyframes,
  layerStyles,
  linkRecipe,
  menuSlotRecipe,
  popoverSlotRecipe,
  semanticTokens,
  spinnerRecipe,
  tableSlotRecipe,
  textareaRecipe,
  textStyles,
  tokens,
} from "@chakra-ui/react/theme";
import { reset } from "./reset";

/** Chakra's own theme with the recipes of the components that the page uses: the others would be a third of its script. */
const chakra = defineConfig({
  preflight: false,
  cssVarsPrefix,
  cssVarsRoot,
  globalCss: reset,
  theme: {
    breakpoints,
    keyframes,
    tokens,
    semanticTokens,
    textStyles,
    layerStyles,
    animationStyles,
    recipes: {
      button: buttonRecipe,
      heading: headingRecipe,
      icon: iconRecipe,
      input: inputRecipe,
      kbd: kbdRecipe,
      link: linkRecipe,
      spinner: spinnerRecipe,
      textarea: textareaRecipe,
    },
    slotRecipes: {
      combobox: comboboxSlotRecipe,
      dialog: dialogSlotRecipe,
      field: fieldSlotRecipe,
      menu: menuSlotRecipe,
      popover: popoverSlotRecipe,
      table: tableSlotRecipe,
    },
  },
});

const text = "'Atkinson Hyperlegible Next Variable', system-ui, sans-serif";
const mono = "'Atkinson Hyperlegible Mono Variable', ui-monospace, monospace";

/*
 * All chrome is painted with six variables. The frame sets them once for light and once for dark; the sheet sets
 * them again for the surround chosen, and everything inside follows.
 */
const papers = {
  light: {
    "--paper": "#FFFFFF",
    "--ink": "#111111",
    "--faint": "#545454",
    "--line": "#CFCFCF",
    "--firm": "#757575",
    "--raised": "#F3F3F3",
  },
  dark: {
    "--paper": "#141414",
    "--ink": "#F4F4F4",
    "--faint": "#B4B4B4",
    "--line": "#3D3D3D",
    "--firm": "#8A8A8A",
    "--raised": "#202020",
  },
  gray: {
    "--paper": "#808080",
    "--ink": "#000000",
    "--faint": "#000000",
    "--line": "#5C5C5C",
    "--firm": "#000000",
    "--raised": "#8E8E8E",
  },
  black: {
    "--paper": "#000000",
    "--ink": "#F4F4F4",
    "--faint": "#B4B4B4",
    "--line": "#3D3D3D",
    "--firm": "#8A8A8A",
    "--raised": "#1B1B1B",
  },
};

/*
 * A variable that refers to another takes its value where it is declared. So the sheet, which has papers of its own,
 * declares the theme's colors once more.
 */
const again = {
  "--chakra-colors-bg": "var(--paper)",
  "--chakra-colors-bg-panel": "var(--paper)",
  "--chakra-colors-bg-subtle": "var(--raised)",
  "--chakra-colors-bg-muted": "var(--raised)",
  "--chakra-colors-fg": "var(--ink)",
  "--chakra-colors-fg-muted": "var(--faint)",
  "--chakra-colors-fg-subtle": "var(--faint)",
  "--chakra-colors-border": "var(--line)",
  "--chakra-colors-border-emphasized": "var(--firm)",
  "--chakra-colors-fg-error": "var(--ink)",
  "--chakra-colors-bg-error": "var(--paper)",
  "--chakra-colors-border-error": "var(--ink)",
  // Links and buttons ask for the palette of all chrome, which is gray.
  "--chakra-colors-color-palette-fg": "var(--ink)",
  "--chakra-colors-color-palette-solid": "var(--ink)",
  "--chakra-colors-color-palette-contrast": "var(--paper)",
  "--chakra-colors-color-palette-subtle": "var(--raised)",
  "--chakra-colors-color-palette-muted": "var(--raised)",
  "--chakra-colors-color-palette-emphasized": "var(--line)",
  "--chakra-colors-color-palette-border": "var(--line)",
  "--chakra-colors-color-palette-focus-ring": "var(--ink)",
};

/** For who asks for more contrast: nothing is faint, every line is as strong as text. */
const stronger = (paper: Record<string, string>) => ({
  "--faint": paper["--ink"],
  "--firm": paper["--ink"],
  "--line": paper["--ink"],
});
const MORE_CONTRAST = "@media (prefers-contrast: more)";
const FORCED = "@media (forced-colors: active)";

const config = defineConfig({
  globalCss: {
    ":root": { ...papers.light, [MORE_CONTRAST]: stronger(papers.light) },
    ".dark": { ...papers.dark, [MORE_CONTRAST]: stronger(papers.dark) },
    "[data-surround=white]": { ...papers.light, ...again, [MORE_CONTRAST]: stronger(papers.light) },
    "[data-surround=gray]": { ...papers.gray, ...again, [MORE_CONTRAST]: stronger(papers.gray) },
    "[data-surround=black]": { ...papers.black, ...again, [MORE_CONTRAST]: stronger(papers.black) },
    "html, body, #root": { height: "100%", overflow: "hidden" },
    body: {
      fontFamily: text,
      fontSize: "13px",
      lineHeight: "1.35",
      fontVariantNumeric: "tabular-nums",
      background: "var(--paper)",
      color: "var(--ink)",
    },
    "*:focus-visible:not([role=gridcell])": {
      outline: "2px solid #000000 !important",
      outlineOffset: "0 !important",
      boxShadow: "0 0 0 4px #FFFFFF !important",
      zIndex: 3,
    },
    // Where a system forces its colors on the page, what is a color stays that color: all that is painted by value, the
    // samples drawn with it. What is on or chosen is told by the system's own.
    "[data-sample], [style*=background], [role=gridcell], [data-hue]": {
      [FORCED]: { forcedColorAdjust: "none" },
    },
    "header [aria-pressed=true], header [aria-checked=true], header [aria-current=page]": {
      [FORCED]: { forcedColorAdjust: "none", background: "Highlight", color: "HighlightText !important" },
    },
    "*": { _motionReduce: { transitionProperty: "none !important", animationName: "none !important" } },
  },
  theme: {
    tokens: {
      fonts: { body: { value: text }, heading: { value: text }, mono: { value: mono } },
      radii: { l1: { value: "2px" }, l2: { value: "2px" }, l3: { value: "2px" } },
    },
    semanticTokens: {
      radii: { l1: { value: "2px" }, l2: { value: "2px" }, l3: { value: "2px" } },
      colors: {
        bg: {
          DEFAULT: { value: "var(--paper)" },
          panel: { value: "var(--paper)" },
          subtle: { value: "var(--raised)" },
          muted: { value: "var(--raised)" },
          error: { value: "var(--paper)" },
        },
        fg: {
          DEFAULT: { value: "var(--ink)" },
          muted: { value: "var(--faint)" },
          subtle: { value: "var(--faint)" },
          error: { value: "var(--ink)" },
        },
        border: {
          DEFAULT: { value: "var(--line)" },
          emphasized: { value: "var(--firm)" },
          error: { value: "var(--ink)" },
        },
      },
    },
  },
});

export const system = createSystem(defaultBaseConfig, chakra, config);
