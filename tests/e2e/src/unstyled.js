// The library's whole style sheet is given; answers which of its rules would reach something on this page and were not shipped.
const [whole] = arguments;
const single = (rules) =>
  [...rules].flatMap((rule) =>
    rule.selectorText ? rule.selectorText.split(/,(?![^(]*\))/).map((s) => s.trim()) : rule.cssRules ? single(rule.cssRules) : [],
  );
const sheet = new CSSStyleSheet();
sheet.replaceSync(whole);
const shipped = new Set([...document.styleSheets].flatMap((s) => single(s.cssRules)));
const left = new Set(single(sheet.cssRules).filter((s) => s.includes(".ant") && !shipped.has(s)));
const reaches = (selector) => {
  try {
    return document.querySelector(selector.replace(/::[\w-]+/g, "").replace(/:(hover|active|visited|focus[\w-]*)/g, ""));
  } catch {
    return undefined;
  }
};
return [...left].filter(reaches);
