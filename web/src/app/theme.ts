// Paper, ink, ember; zest only for the thing to do now, beet for danger. All colours and sizes of
// the application stand here.
import { createSystem, defaultBaseConfig, defineConfig } from "@chakra-ui/react";
import {
  animationStyles,
  breakpoints,
  checkboxSlotRecipe,
  checkmarkRecipe,
  cssVarsPrefix,
  cssVarsRoot,
  dialogSlotRecipe,
  globalCss,
  inputRecipe,
  keyframes,
  layerStyles,
  nativeSelectSlotRecipe,
  popoverSlotRecipe,
  semanticTokens,
  sliderSlotRecipe,
  tableSlotRecipe,
  tabsSlotRecipe,
  textareaRecipe,
  textStyles,
  tokens,
} from "@chakra-ui/react/theme";

/** The entries of these names. */
const only = <T extends object>(all: T, names: readonly (keyof T)[]) =>
  Object.fromEntries(names.map((name) => [name, all[name]]));

const PALETTES = ["gray", "red", "orange"] as const;
const { bg, fg, border } = semanticTokens.colors;
const without = <T extends { success: unknown; info: unknown }>({ success, info, ...kept }: T) =>
  kept;

// The looks of the parts that are used, and the colours that they name. Everything that Chakra brings would be a tenth
// of the script that is loaded first, and each colour becomes a variable that every page computes when it opens.
const parts = defineConfig({
  preflight: true,
  cssVarsPrefix,
  cssVarsRoot,
  // Every element gets these variables: only those that the plain looks of elements read.
  globalCss: {
    ...globalCss,
    "*": {
      "--global-font-mono": "fonts.mono",
      "--global-font-body": "fonts.body",
      "--global-color-border": "colors.border",
    },
  },
  theme: {
    breakpoints,
    keyframes,
    tokens: {
      ...tokens,
      colors: only(tokens.colors, ["transparent", "current", "black", "white", ...PALETTES]),
    },
    semanticTokens: {
      ...semanticTokens,
      colors: {
        ...only(semanticTokens.colors, PALETTES),
        bg: without(bg),
        fg: without(fg),
        border: without(border),
      },
    },
    textStyles,
    layerStyles,
    animationStyles,
    recipes: { checkmark: checkmarkRecipe, input: inputRecipe, textarea: textareaRecipe },
    slotRecipes: {
      checkbox: checkboxSlotRecipe,
      dialog: dialogSlotRecipe,
      nativeSelect: nativeSelectSlotRecipe,
      popover: popoverSlotRecipe,
      slider: sliderSlotRecipe,
      table: tableSlotRecipe,
      tabs: tabsSlotRecipe,
    },
  },
});

const heading = "'Bricolage Grotesque Variable', 'Atkinson Hyperlegible Next Variable', sans-serif";
const body = "'Atkinson Hyperlegible Next Variable', system-ui, sans-serif";

const pair = (base: string, dark: string) => ({ value: { base, _dark: dark } });

const config = defineConfig({
  globalCss: {
    // The words of charts.
    ".svg-tiny": { textStyle: "tiny" },
    ".svg-small": { textStyle: "small" },
    ".svg-section": { textStyle: "section" },
    "html, body": { bg: "paper", color: "ink", minHeight: "100dvh" },
    body: { fontVariantNumeric: "tabular-nums", lineHeight: "1.4" },
    "*:focus-visible": { outline: "3px solid", outlineColor: "focus", outlineOffset: "2px" },
    "*, *::before, *::after": {
      _motionReduce: { animationDuration: "1ms !important", transition: "none !important" },
    },
    "header, .no-print": { _print: { display: "none !important" } },
  },
  theme: {
    // Seen without looking for it.
    recipes: { input: { variants: { variant: { outline: { borderColor: "ink.soft" } } } } },
    tokens: {
      fonts: { heading: { value: heading }, body: { value: body } },
      radii: {
        hair: { value: "3px" },
        word: { value: "6px" },
        field: { value: "8px" },
        key: { value: "14px" },
      },
      sizes: {
        phone: { value: "92vw" },
        search: { value: "20rem" },
        bar: { value: "5px" },
        labels: { value: "22px" },
        bigButton: { value: "78px" },
        tallButton: { value: "66px" },
        page: { value: "1280px" },
        sentence: { value: "1180px" },
        reading: { value: "40rem" },
        clock: { value: "4.25rem" },
        basket: { value: "22rem" },
        basketSmall: { value: "15rem" },
        lane: { value: "6.5rem" },
        thumb: { value: "10rem" },
        popover: { value: "21rem" },
        key: { value: "4.25rem" },
      },
    },
    semanticTokens: {
      colors: {
        // On the ember field itself, which is the same by day and by night.
        "mark.ink": { value: "#2B2420" },
        "mark.paper": { value: "#FFFCF5" },
        // Meat from pale to burnt, the same by day and by night.
        "brown.pale": { value: "#EAD9C2" },
        "brown.blond": { value: "#E8C48A" },
        "brown.golden": { value: "#D9972F" },
        "brown.brown": { value: "#A55A1E" },
        "brown.dark": { value: "#5F2D16" },
        "brown.burnt": { value: "#1D120D" },
        paper: pair("#F8F3E9", "#1F1A17"),
        well: pair("#F0E8D8", "#2E2722"),
        raised: pair("#FFFCF5", "#2A231F"),
        ink: pair("#2B2420", "#F6F0E4"),
        "ink.soft": pair("#6B5F56", "#C4B7A6"),
        "ink.say": pair("#5A4E46", "#CFC3B3"),
        line: pair("#D8CCB8", "#4A4038"),
        ember: pair("#B83A14", "#F58A5E"),
        amber: pair("#E5A23A", "#E5A23A"),
        zest: pair("#DCE94B", "#DCE94B"),
        "zest.ink": pair("#3D4400", "#2B3000"),
        "zest.mark": pair("#7A8600", "#DCE94B"),
        beet: pair("#8A1C4A", "#F29ABF"),
        focus: pair("#2B2420", "#DCE94B"),
        solid: pair("#2B2420", "#F6F0E4"),
        "solid.ink": pair("#F8F3E9", "#1F1A17"),
      },
    },
    textStyles: {
      mark: {
        value: {
          fontFamily: "heading",
          fontWeight: "700",
          fontSize: "22px",
          letterSpacing: "-0.02em",
        },
      },
      say: {
        value: {
          fontFamily: "heading",
          fontWeight: "450",
          fontSize: { base: "22px", md: "27px" },
          lineHeight: "1.5",
          letterSpacing: "-0.012em",
        },
      },
      dialled: {
        value: {
          fontFamily: "heading",
          fontWeight: "700",
          fontSize: { base: "23px", md: "28px" },
          lineHeight: "1.25",
          letterSpacing: "-0.015em",
        },
      },
      title: {
        value: {
          fontFamily: "heading",
          fontWeight: "700",
          fontSize: { base: "28px", md: "34px" },
          lineHeight: "1.15",
          letterSpacing: "-0.02em",
        },
      },
      instruction: {
        value: {
          fontFamily: "heading",
          fontWeight: "700",
          fontSize: { base: "38px", md: "52px" },
          lineHeight: "1.08",
          letterSpacing: "-0.03em",
        },
      },
      count: {
        value: {
          fontFamily: "heading",
          fontWeight: "800",
          fontSize: { base: "92px", md: "132px" },
          lineHeight: "1",
          letterSpacing: "-0.04em",
        },
      },
      section: { value: { fontFamily: "heading", fontWeight: "650", fontSize: "16px" } },
      line: { value: { fontSize: "17px", lineHeight: "1.45" } },
      body: { value: { fontSize: "16px", lineHeight: "1.4" } },
      time: { value: { fontFamily: "heading", fontWeight: "600", fontSize: "17px" } },
      small: { value: { fontSize: "14.5px", lineHeight: "1.4" } },
      tiny: { value: { fontSize: "13px", lineHeight: "1.3" } },
      button: { value: { fontFamily: "heading", fontWeight: "600", fontSize: "16px" } },
      bigButton: { value: { fontFamily: "heading", fontWeight: "600", fontSize: "24px" } },
      tallButton: { value: { fontFamily: "heading", fontWeight: "600", fontSize: "19px" } },
      key: { value: { fontFamily: "heading", fontWeight: "600", fontSize: "30px" } },
    },
  },
});

export const system = createSystem(defaultBaseConfig, parts, config);
