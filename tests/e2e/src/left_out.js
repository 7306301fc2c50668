// The library's whole style sheet is given; answers which of its rules about controls are not shipped.
const [whole] = arguments;
const single = (rules) =>
  [...rules].flatMap((rule) =>
    rule.selectorText ? rule.selectorText.split(/,(?![^(]*\))/).map((s) => s.trim()) : rule.cssRules ? single(rule.cssRules) : [],
  );
const sheet = new CSSStyleSheet();
sheet.replaceSync(whole);
const shipped = new Set([...document.styleSheets].flatMap((s) => single(s.cssRules)));
return [...new Set(single(sheet.cssRules).filter((s) => s.includes(".ant") && !shipped.has(s)))];
