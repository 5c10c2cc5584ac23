// The entrance: finds, scans and ticks off, with network or without.
import { openStore } from "./check-in-store.js";
import { scanner } from "./check-in-scan.js";

// A network that neither answers nor refuses is given up after this, and tried again.
const PATIENCE = 10_000;
const RETRY = 2000;

const box = document.querySelector("[data-check-in]");
const at = box.dataset.at;
const list = box.querySelector("[data-parties]");
// At the entrance people do it themselves: nobody else is shown.
const self = box.hasAttribute("data-self");
const field = box.querySelector("#q");
const verdict = box.querySelector("[data-verdict]");
const onArrival = box.querySelector("[data-badge-on-arrival]");
let parties = [];
let queue = [];
let store;
let sending = false;
let cut = false;
// What a form of this page would send along; it comes with the roll.
let token = "";
let zone;

const folded = (text) => text.normalize("NFD").replace(/\p{M}/gu, "").toLowerCase();
const clock = (instant) => new Date(instant).toLocaleTimeString("en-GB", { hour: "2-digit", minute: "2-digit", timeZone: zone });

function say(words, kind) {
  verdict.hidden = words === "";
  verdict.textContent = words;
  verdict.className = `verdict is-${kind}`;
}

function tell() {
  const note = box.querySelector("[data-queue]");
  const offline = cut || !navigator.onLine;
  note.hidden = !offline;
  note.textContent = queue.length === 0
    ? "No network. Go on ticking; it is kept on this device."
    : `${queue.length} ${queue.length === 1 ? "tick waits" : "ticks wait"} on this device for the network.`;
}

function element(name, classes, text) {
  const made = document.createElement(name);
  made.className = classes;
  if (text !== undefined) made.textContent = text;
  return made;
}

function button(text, classes, press) {
  const made = element("button", `button is-small ${classes}`, text);
  made.type = "button";
  made.addEventListener("click", press);
  return made;
}

function person(party, one) {
  const isIn = one.in !== "";
  const name = party.people.length > 1 ? one.name : isIn ? "In" : "Check in";
  const made = button(isIn ? `${name} ${one.in}` : name, isIn ? "tick-mark is-in" : "tick-mark", () => tick(party, [one], !isIn));
  made.setAttribute("aria-pressed", String(isIn));
  return made;
}

function badge(party) {
  const made = element("a", "badge-link", "Badge");
  made.href = `${at}/badge/${party.id}`;
  made.target = "_blank";
  made.rel = "noopener";
  made.setAttribute("aria-label", `Print badge of ${party.name}`);
  return made;
}

// Without network there is no badge; the link stays for later.
function printBadges(party) {
  if (onArrival?.checked && !cut) window.open(`${at}/badge/${party.id}`, "_blank", "noopener");
}

function row(party) {
  const inside = party.people.filter((one) => one.in !== "").length;
  const made = element("li", inside === party.people.length ? "is-in" : "");
  const head = element("div", "party");
  const name = document.createElement("b");
  name.append(element("bdi", "", party.name));
  head.append(name);
  if (party.people.length > 1) head.append(" ", element("span", "quiet", `${inside} of ${party.people.length} in`));
  if (party.flag) head.append(" ", element("span", "flag", party.flag));
  const ticks = element("div", "tick-row");
  ticks.append(...party.people.map((one) => person(party, one)));
  if (party.people.length > 1 && inside < party.people.length) {
    ticks.append(button("Check in all", "is-main", () => tick(party, party.people.filter((one) => one.in === ""), true)));
  }
  if (inside > 0) ticks.append(badge(party));
  made.append(head, ticks);
  return made;
}

function draw() {
  if (self) {
    tell();
    return;
  }
  const sought = folded(field.value.trim());
  list.replaceChildren(...parties.filter((party) => party.find.includes(sought)).map(row));
  const all = parties.flatMap((party) => party.people);
  box.querySelector("[data-inside]").textContent = all.filter((one) => one.in !== "").length;
  box.querySelector("[data-expected]").textContent = all.length;
  const nobody = box.querySelector("[data-nobody]");
  if (nobody) nobody.hidden = list.children.length > 0;
  tell();
}

// What was ticked here and has not been sent yet holds over what the server knows.
function lay() {
  for (const one of queue) {
    const found = parties.find((party) => party.id === one.registration)?.people.find((each) => each.place === one.place);
    if (found) found.in = one.in ? clock(one.at) : "";
  }
}

async function tick(party, people, isIn) {
  if (isIn && party.people.every((one) => one.in === "")) printBadges(party);
  const now = new Date(store.now()).toISOString();
  for (const one of people) {
    one.in = isIn ? clock(now) : "";
    queue.push({ key: crypto.randomUUID(), registration: party.id, place: one.place, in: isIn, at: now });
  }
  draw();
  await store.keep({ parties, queue, zone });
  send();
}

function conflicts(outcomes) {
  const names = (wanted) => outcomes.filter((each) => each.outcome === wanted).map((each) => {
    const sent = queue.find((one) => one.key === each.key);
    return parties.find((party) => party.id === sent?.registration)?.name ?? "somebody";
  });
  const cancelled = names("cancelled");
  const refused = names("refused");
  if (cancelled.length > 0) say(`Ticked off, but cancelled in the meantime: ${cancelled.join(", ")}`, "odd");
  if (refused.length > 0) say(`Could not be ticked off: ${refused.join(", ")}`, "bad");
}

async function send() {
  if (sending || queue.length === 0) return;
  sending = true;
  const batch = queue.slice(0, 500);
  try {
    if (token === "") await load();
    if (token === "") throw new Error("no network yet");
    const answer = await fetch(`${at}/sync`, {
      method: "POST",
      signal: AbortSignal.timeout(PATIENCE),
      body: new URLSearchParams({ ticks: JSON.stringify(batch), _csrf: token }),
    });
    cut = false;
    if (answer.ok) {
      conflicts((await answer.json()).outcomes);
      const keys = new Set(batch.map((one) => one.key));
      queue = queue.filter((one) => !keys.has(one.key));
      await store.keep({ parties, queue, zone });
      if (queue.length === 0) await load();
    } else if (answer.status === 403 || answer.redirected) {
      say("Please sign in again; the ticks are kept on this device.", "bad");
    }
  } catch {
    // No network: it is tried again.
    cut = true;
  } finally {
    sending = false;
    draw();
  }
}

async function load() {
  try {
    const answer = await fetch(`${at}/roll.json`, { signal: AbortSignal.timeout(PATIENCE) });
    if (!answer.ok || answer.redirected) return;
    const roll = await answer.json();
    parties = roll.parties;
    zone = roll.zone;
    token = roll.csrf;
    store.closes(roll.closes, roll.now);
    lay();
    await store.keep({ parties, queue, zone });
  } catch {
    // No network: what is on this device holds.
  }
}

async function trace(text) {
  const hash = new Uint8Array(await crypto.subtle.digest("SHA-256", new TextEncoder().encode(text)));
  return [...hash.slice(0, 16)].map((byte) => byte.toString(16).padStart(2, "0")).join("");
}

async function scanned(text) {
  const wanted = await trace(text);
  const party = parties.find((each) => each.ticket === wanted);
  if (!party) {
    say(await elsewhere(text), "bad");
    return;
  }
  field.value = "";
  await come(party);
}

async function come(party) {
  const missing = party.people.filter((one) => one.in === "");
  if (missing.length === 0) {
    say(`${party.name} is in already, since ${party.people[0].in}. This ticket has been shown before.`, "odd");
    return;
  }
  await tick(party, missing, true);
  const many = party.people.length > 1 ? `, ${party.people.length} people` : "";
  say(`${party.name}${many}${party.flag ? `: ${party.flag}` : ""}`, party.flag ? "odd" : "good");
}

function bySelf() {
  const name = folded(field.value.trim().replace(/\s+/g, " "));
  const own = parties.filter((party) => folded(party.name) === name);
  if (own.length === 1) {
    come(own[0]);
    field.value = "";
  } else {
    say("Please ask the helper: this name is not on the list, or more than once.", "odd");
  }
}

async function elsewhere(text) {
  try {
    const answer = await fetch(`${at}/ticket`, { method: "POST", body: new URLSearchParams({ text, _csrf: token }) });
    return (await answer.json()).said || "This ticket is not on the list of this device yet.";
  } catch {
    return "This ticket is not for this session.";
  }
}

// The worker keeps the empty page and all it is made of.
async function install() {
  if (!navigator.serviceWorker) return;
  try {
    await navigator.serviceWorker.register("/check-in-worker.js", { scope: "/desk/check-in/" });
    const { active } = await navigator.serviceWorker.ready;
    const parts = performance.getEntriesByType("resource").map((each) => new URL(each.name))
      .filter((each) => each.origin === location.origin && /\.(js|css|woff2|svg|png)$/.test(each.pathname)).map((each) => each.pathname + each.search);
    const scanner = new URL("./vendor/jsqr.js", import.meta.url).pathname;
    active.postMessage([...new Set([`${at}/shell`, `${at}/entrance`, scanner, ...parts])]);
    box.dataset.kept = "";
  } catch {
    // Then there is no page without network, and everything else works.
  }
}

export async function start() {
  store = await openStore(at);
  const kept = await store.kept();
  parties = kept?.parties ?? [];
  zone = kept?.zone;
  queue = kept?.queue ?? [];
  await load();
  lay();
  draw();
  field.addEventListener("input", draw);
  if (onArrival) {
    onArrival.closest("label").hidden = false;
    onArrival.checked = localStorage.getItem("badges") === "on";
    onArrival.addEventListener("change", () => localStorage.setItem("badges", onArrival.checked ? "on" : "off"));
  }
  field.form.addEventListener("submit", (event) => {
    event.preventDefault();
    if (self) {
      bySelf();
      return;
    }
    // Enter ticks off the only party that is left.
    const left = parties.filter((party) => party.find.includes(folded(field.value.trim())));
    if (field.value.trim() && left.length === 1) tick(left[0], left[0].people.filter((one) => one.in === ""), true);
  });
  scanner(box, scanned, () => say("The camera cannot be used. Please search by name.", "bad"));
  addEventListener("online", send);
  addEventListener("offline", tell);
  setInterval(send, RETRY);
  setInterval(() => { if (queue.length === 0 && !document.hidden) load().then(draw); }, 10_000);
  send();
  install();
}
