import postcss, { type Rule } from "postcss";
import type { Plugin } from "vite";

/**
 * What of the library's style sheet is shipped: the controls that the pages use, and what these lean on.
 * A control that is new to the pages is named here; the browser tests find one that was forgotten.
 */
const USED = [
  // The controls themselves.
  ..."alert btn checkbox col collapse drawer empty form input message modal picker popconfirm popover".split(
    " ",
  ),
  ..."progress result row segmented select skeleton slider space spin steps switch table timeline tooltip".split(
    " ",
  ),
  // How they come and go, and how a group of them shares its edges.
  ..."app border css fade motion move scroll slide wave zoom".split(" "),
];

/** Kinds of these controls that no page has: directions, widths, ready colours, frames, groups, ranges. */
const NEVER = new RegExp(
  [
    String.raw`-rtl\b`,
    String.raw`\.ant-col-(?:xs|sm|md|lg|xl|xxl|xxxl)-`,
    String.raw`\.ant-btn-color-(?!default|primary|dangerous|link)`,
    String.raw`-(?:borderless|underlined|filled)\b`,
    "-compact-|-btn-group|-variant-dashed",
    String.raw`-picker-(?:calendar|multiple|time-panel|range)\b`,
    "-input-(?:group|search|otp)",
  ].join("|"),
);

/** Whether a selector is about controls that the pages use; bare elements are the pages' own to style. */
export function isUsed(selector: string): boolean {
  if (NEVER.test(selector)) return false;
  // What a rule leaves out need not be there.
  const meant = selector.replace(/:not\((?:[^()]|\([^()]*\))*\)/g, "");
  if (meant.startsWith(".anticon")) return true;
  const sections = [...meant.matchAll(/\.ant-([a-z]+)/g)].map(([, of]) => of);
  return (
    sections.length > 0 &&
    sections.every((of) => of !== undefined && USED.includes(of))
  );
}

/** The rules of a style sheet that the pages use. */
export function usedOf(css: string): string {
  const root = postcss.parse(css);
  root.walkRules((rule: Rule) => {
    const within = rule.parent;
    if (
      within?.type === "atrule" &&
      "name" in within &&
      within.name === "keyframes"
    )
      return;
    const selectors = rule.selectors.filter(isUsed);
    if (selectors.length === 0) rule.remove();
    else rule.selectors = selectors;
  });
  root.walkAtRules((at) => {
    if (at.nodes?.length === 0) at.remove();
  });
  return root.toString();
}

const MAKERS = ["genStyleHooks", "genSubStyleComponent"];

/** The code of a control's style without what would make its rules: it is never called, and weighs as much. */
export function withoutMaker(code: string, tree: Tree): string {
  const cuts = [...calls(tree)]
    .filter((call) => MAKERS.includes(call.callee?.name ?? ""))
    .flatMap((call) => call.arguments?.slice(1, 2) ?? []);
  return cuts
    .sort((a, b) => b.start - a.start)
    .reduce(
      (text, { start, end }) =>
        `${text.slice(0, start)}() => []${text.slice(end)}`,
      code,
    );
}

/** A piece of code as it was parsed: where it stands, and what is in it. */
interface Tree {
  type?: string;
  start: number;
  end: number;
  callee?: { name?: string };
  arguments?: Tree[];
}

/** Every call in a piece of code. */
function* calls(tree: unknown): Generator<Tree> {
  if (typeof tree !== "object" || tree === null) return;
  if ((tree as Tree).type === "CallExpression") yield tree as Tree;
  for (const part of Object.values(tree)) yield* calls(part);
}

/**
 * The library's controls come with their styles made beforehand: making them while a page is drawn for the first time
 * took longer than drawing it.
 */
export function controlStyles(): Plugin {
  return {
    name: "ritorno-controls",
    enforce: "pre",
    transform(code, id) {
      if (id.endsWith("antd/dist/antd.css")) return usedOf(code);
      if (/antd\/es\/.*style\/[^/]*\.js$/.test(id))
        return {
          code: withoutMaker(code, this.parse(code) as Tree),
          map: null,
        };
      return undefined;
    },
  };
}
