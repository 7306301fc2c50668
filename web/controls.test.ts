import { expect, it } from "vitest";
import { usedOf } from "./controls";

it("ships the styles of the controls the pages have, and no others", () => {
  const css = [
    ".ant-btn{color:red}",
    ".ant-btn:not(.ant-menu .ant-btn){color:green}",
    ".ant-btn,.ant-btn-rtl,.ant-menu .ant-btn{margin:0}",
    ".ant-menu{color:blue}",
    "a{color:pink}",
    "@media (min-width:1px){.ant-menu{top:0}}",
    "@keyframes turn{from{top:0}to{top:1px}}",
  ].join("");
  expect(usedOf(css)).toBe(
    ".ant-btn{color:red}.ant-btn:not(.ant-menu .ant-btn){color:green}.ant-btn{margin:0}@keyframes turn{from{top:0}to{top:1px}}",
  );
});
