// Rules that are not shipped are given; answers which of them would reach something on this page.
const [rules] = arguments;
const there = new Set([...document.querySelectorAll("[class*=ant]")].flatMap((e) => [...e.classList]));
const plain = (rule) => rule.replace(/::[\w-]+/g, "").replace(/:(hover|active|visited|focus[\w-]*)/g, "");
const possible = (rule) => (rule.replace(/:not\(.*\)/g, "").match(/\.ant[\w-]*/g) ?? []).every((c) => there.has(c.slice(1)));
const reaches = (rule) => {
  try {
    return document.querySelector(plain(rule));
  } catch {
    return undefined;
  }
};
return rules.filter((rule) => (rule.includes(":is(") || rule.includes(":where(") || possible(rule)) && reaches(rule));
