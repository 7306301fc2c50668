import type { ThemeConfig } from "antd";

/** Colours of the application. Never colour alone: each state has its own shape and word. */
export const ink = {
  ground: "#f8f4ec",
  paper: "#fffdf8",
  text: "#22211f",
  soft: "#5d584e",
  line: "#ddd5c5",
  petrol: "#12616b",
  petrolPale: "#d5e6e5",
  saffron: "#d99a1c",
  saffronPale: "#fbefd3",
  brick: "#a8402c",
  brickPale: "#f7e0d9",
  moss: "#4c6a2c",
  mossPale: "#e3ebd6",
} as const;

/** The one theme file of the controls. */
export const theme: ThemeConfig = {
  cssVar: { key: "ritorno" },
  token: {
    colorPrimary: ink.petrol,
    colorInfo: ink.petrol,
    colorSuccess: ink.moss,
    colorWarning: ink.saffron,
    colorError: ink.brick,
    colorText: ink.text,
    colorTextSecondary: ink.soft,
    colorTextPlaceholder: "#736d61",
    colorBgBase: ink.paper,
    colorBgLayout: ink.ground,
    colorBorder: "#b9b09d",
    colorBorderSecondary: ink.line,
    borderRadius: 4,
    fontFamily: "'Ritorno Sans', system-ui, sans-serif",
    fontSize: 16,
    controlHeight: 38,
    motion: false,
  },
  components: { Button: { fontWeight: 600, primaryShadow: "none", defaultShadow: "none" } },
};
