// The page of the simulated service: how it behaves, and what it was given.

const WORDS = {
  delivers: "delivers at once",
  delays: "takes half a minute",
  fails: "takes a message and cannot deliver it",
  refuses: "takes no message",
  silent: "takes a message and says nothing",
  away: "is away",
};
const BECAME = {
  waiting: "on its way",
  delivered: "delivered",
  failed: "could not be delivered",
};

const post = (path, body) =>
  fetch(path, {
    method: "POST",
    headers: { "content-type": "application/json" },
    body: JSON.stringify(body ?? {}),
  });

const part = (name, text, kind) => {
  const made = document.createElement(name);
  made.textContent = text;
  if (kind) made.className = kind;
  return made;
};

const key = (text, press, pressed) => {
  const made = part("button", text);
  made.type = "button";
  made.setAttribute("aria-pressed", String(pressed));
  made.addEventListener("click", () => void press().then(show));
  return made;
};

const ago = (seconds) =>
  seconds < 60 ? `${seconds} s ago` : `${Math.floor(seconds / 60)} min ago`;

let shown = "";
async function show() {
  const text = await (await fetch("/sent")).text();
  const { behaviour, sent } = JSON.parse(text);
  // A page that says the same is left alone, so that a key under a finger stays where it is.
  if (text.replace(/"seconds_ago":\d+/g, "") === shown) return;
  shown = text.replace(/"seconds_ago":\d+/g, "");
  const keys = Object.keys(WORDS).map((one) => {
    const made = key(
      WORDS[one],
      () => post("/behaviour", { behaviour: one }),
      one === behaviour,
    );
    made.dataset.behaviour = one;
    return made;
  });
  const legend = document.querySelector("#behaviour legend");
  document.querySelector("#behaviour").replaceChildren(legend, ...keys);
  document.querySelector("#none").hidden = sent.length > 0;
  document.querySelector("#sent").replaceChildren(
    ...sent.map((one) => {
      const row = document.createElement("li");
      row.dataset.became = one.became;
      const way = one.channel === "mail" ? "Mail" : "Text message";
      const again = one.repeats > 0 ? `, asked ${one.repeats + 1} times` : "";
      row.append(
        part("p", `${way} to ${one.to}`, "to"),
        part("p", one.words),
        part(
          "p",
          `${BECAME[one.became]}${again}, ${ago(one.seconds_ago)}`,
          "became",
        ),
        key("Answer STOP", () => post(`/messages/${one.key}/stop`), false),
      );
      return row;
    }),
  );
}

void show();
setInterval(() => void show(), 2000);
