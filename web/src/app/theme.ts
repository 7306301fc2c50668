import antd from "antd/es/theme";
import type { ThemeConfig } from "antd";
import type { Look } from "./look";

/**
 * Colours by name; what they are by day and by lamplight stands in style.css. Never colour alone: each state has
 * its own shape and word.
 */
export const ink = {
  ground: "var(--ground)",
  paper: "var(--paper)",
  text: "var(--text)",
  soft: "var(--soft)",
  line: "var(--line)",
  petrol: "var(--petrol)",
  petrolPale: "var(--petrol-pale)",
  saffron: "var(--saffron)",
  saffronPale: "var(--saffron-pale)",
  brick: "var(--brick)",
  brickPale: "var(--brick-pale)",
  moss: "var(--moss)",
  mossPale: "var(--moss-pale)",
} as const;

/** The controls work out shades from their colours, so they need the numbers. */
const numbers = {
  light: {
    petrol: "#12616b",
    moss: "#4c6a2c",
    saffron: "#d99a1c",
    brick: "#a8402c",
    text: "#22211f",
    soft: "#5d584e",
    placeholder: "#736d61",
    paper: "#fffdf8",
    ground: "#f8f4ec",
    edge: "#b9b09d",
    line: "#ddd5c5",
    sunk: "#ece5d7",
    on: "#ffffff",
  },
  dark: {
    petrol: "#76bcc2",
    moss: "#a3c07f",
    saffron: "#e2ac45",
    brick: "#e8917a",
    text: "#ece6da",
    soft: "#b5ac9b",
    placeholder: "#a39a89",
    paper: "#262420",
    ground: "#1b1a18",
    edge: "#6d6557",
    line: "#3d3932",
    sunk: "#35312a",
    on: "#1b1a18",
  },
} as const;

/** The one theme file of the controls. */
export function themeOf(look: Look): ThemeConfig {
  const c = numbers[look];
  return {
    cssVar: { key: "ritorno" },
    // The styles of the controls come with the page; only the values of this theme are worked out here.
    zeroRuntime: true,
    hashed: false,
    algorithm: look === "dark" ? antd.darkAlgorithm : antd.defaultAlgorithm,
    token: {
      colorPrimary: c.petrol,
      colorInfo: c.petrol,
      colorSuccess: c.moss,
      colorWarning: c.saffron,
      colorError: c.brick,
      colorText: c.text,
      colorTextSecondary: c.soft,
      colorTextPlaceholder: c.placeholder,
      colorTextLightSolid: c.on,
      colorBgBase: c.paper,
      colorBgLayout: c.ground,
      // What lies over a page is of its paper: the shades worked out for lamplight lose the contrast of soft ink.
      colorBgElevated: c.paper,
      colorBgContainer: c.paper,
      colorBorder: c.edge,
      colorBorderSecondary: c.line,
      borderRadius: 4,
      fontFamily: "'Ritorno Sans', system-ui, sans-serif",
      fontSize: 16,
      controlHeight: 38,
      motion: false,
    },
    components: {
      Button: {
        fontWeight: 600,
        primaryShadow: "none",
        defaultShadow: "none",
        dangerShadow: "none",
      },
      Table: {
        headerBg: c.sunk,
        headerSplitColor: "transparent",
        borderColor: c.line,
        rowHoverBg: c.ground,
      },
      // Days of the months beside are read too.
      DatePicker: { colorTextDisabled: c.placeholder },
      Select: { optionActiveBg: c.sunk, optionSelectedBg: c.sunk },
      Form: { itemMarginBottom: 0, verticalLabelPadding: "0 0 3px" },
      // What is chosen is read at arm's length: ink on petrol, not one paper on another.
      Segmented: {
        trackBg: c.sunk,
        itemColor: c.text,
        itemSelectedBg: c.petrol,
        itemSelectedColor: c.on,
      },
    },
  };
}
