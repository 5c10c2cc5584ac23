// Keys of the desk, shown by ?; all of it also by mouse. They can be turned off (WCAG 2.2, 2.1.4).
const PLACES = { t: "/desk", p: "/desk/programme", o: "/desk/offerings", e: "/desk/people", x: "/desk/outbox", s: "/desk/setup" };
const ROWS = "main tbody tr, main .needs li, main .sending, main .at-hand article, main .part";
let going = false;
let at = -1;

const isOff = () => localStorage.getItem("keys") === "off";
const rows = () => [...document.querySelectorAll(ROWS)].filter((row) => row.querySelector("a, button, input") && row.offsetParent);

function select(step) {
  const all = rows();
  if (all.length === 0) return;
  all[at]?.classList.remove("is-picked");
  at = Math.max(0, Math.min(all.length - 1, at + step));
  all[at].classList.add("is-picked");
  const first = all[at].querySelector("a[href], summary, button");
  first?.focus({ preventScroll: true });
  all[at].scrollIntoView({ block: "nearest" });
}

function session(step) {
  const links = [...document.querySelectorAll("[data-tideline] a")];
  const here = links.findIndex((link) => link.getAttribute("href") === location.pathname);
  const next = here < 0 ? (step > 0 ? 0 : links.length - 1) : here + step;
  if (links[next]) location.assign(links[next].getAttribute("href"));
}

const turner = (rel) => document.querySelector(`main a[rel=${rel}]`);
const filter = () => document.querySelector("main .filters input[type=search]");

// The page's own way on, such as to the next day; the next session where it has none.
function turn(rel, step) {
  const link = turner(rel);
  if (link) location.assign(link.href);
  else if (!turner("next") && !turner("prev")) session(step);
}

// The keys that do something on this page.
function names() {
  const all = rows();
  const some = (selector) => all.some((row) => row.querySelector(selector));
  const turns = turner("next") || turner("prev");
  return [
    ["?", "Show these keys"], ["/", "Search"], ["g then t, p, o, e, x, s", "Go to Today, Programme, Offerings, People, Outbox, Setup"],
    filter() && ["f", "Find in this list"],
    all.length > 0 && ["j, k", "Next, previous row"],
    some("a[href]") && ["Enter", "Open the row"],
    some("input[type=checkbox]") && ["v", "Select the row"],
    some("button, summary") && ["d", "To the first button of the row"],
    turns ? ["n, b", "Later, earlier"] : document.querySelector("[data-tideline] a") && ["n, b", "Next, previous session"],
  ].filter(Boolean);
}

function listed() {
  const list = document.createElement("dl");
  for (const [key, words] of names()) {
    const term = document.createElement("dt");
    term.textContent = key;
    const text = document.createElement("dd");
    text.textContent = words;
    list.append(term, text);
  }
  return list;
}

function dialog() {
  const box = document.createElement("dialog");
  box.className = "keys";
  box.setAttribute("aria-labelledby", "keys-title");
  const title = document.createElement("h2");
  title.id = "keys-title";
  title.textContent = "Keys on this page";
  const toggle = document.createElement("button");
  toggle.className = "button";
  const name = () => { toggle.textContent = isOff() ? "Turn keys on" : "Turn keys off"; };
  toggle.addEventListener("click", () => { localStorage.setItem("keys", isOff() ? "on" : "off"); name(); });
  name();
  const close = document.createElement("button");
  close.className = "button is-main";
  close.textContent = "Close";
  close.addEventListener("click", () => box.close());
  box.addEventListener("close", () => box.remove());
  const bar = document.createElement("p");
  bar.append(close, " ", toggle);
  box.append(title, listed(), bar);
  document.body.append(box);
  return box;
}

const acts = {
  "?": () => dialog().showModal(),
  "/": () => document.querySelector("[data-focus-key='/']")?.focus(),
  j: () => select(1),
  k: () => select(-1),
  v: () => rows()[at]?.querySelector("input[type=checkbox]")?.click(),
  d: () => rows()[at]?.querySelector("button, summary")?.focus(),
  f: () => filter()?.focus(),
  n: () => turn("next", 1),
  b: () => turn("prev", -1),
  g: () => { going = true; setTimeout(() => { going = false; }, 1500); },
};

export function start() {
  const button = document.querySelector("[data-keys]");
  button.addEventListener("click", () => dialog().showModal());
  document.addEventListener("keydown", (event) => {
    const typing = event.target.closest("input:not([type=checkbox], [type=radio]), textarea, select, [contenteditable], dialog");
    if (typing || event.ctrlKey || event.metaKey || event.altKey || (isOff() && event.key !== "?")) return;
    if (going && PLACES[event.key]) {
      event.preventDefault();
      location.assign(PLACES[event.key]);
    } else if (acts[event.key]) {
      event.preventDefault();
      acts[event.key]();
    }
  });
}
