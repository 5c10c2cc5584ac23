// The desk at a door: hears of what happens, and answers by keys.
const sheet = () => document.getElementById("door");
const rows = () => [...sheet().querySelectorAll("[data-knock]")];
let picked = "";
let asking = false;
let again = false;
let going = false;
const sending = new Set();

function pick(row) {
  rows().forEach((each) => each.classList.toggle("is-first", each === row));
  picked = row?.dataset.knock ?? "";
}

const current = () => rows().find((row) => row.dataset.knock === picked) ?? rows()[0];

// What somebody is typing, or has the focus on, stays.
function keep(fresh) {
  const typing = document.activeElement?.closest?.("[data-knock]");
  const name = document.activeElement?.name;
  const value = document.activeElement?.value;
  const words = new Map(rows().map((row) => [row.dataset.knock, row.querySelector("[name=word]").value]));
  sheet().replaceWith(fresh);
  for (const row of rows()) row.querySelector("[name=word]").value = words.get(row.dataset.knock) ?? "";
  const back = typing && rows().find((row) => row.dataset.knock === typing.dataset.knock);
  const field = back && [...back.querySelectorAll("input, button")].find((each) => each.name === name && (name === "word" || each.value === value));
  field?.focus();
}

async function look() {
  if (asking) {
    again = true;
    return;
  }
  asking = true;
  try {
    const answer = await fetch(location.href);
    if (answer.redirected && !answer.url.startsWith(location.href)) location.reload();
    const page = new DOMParser().parseFromString(await answer.text(), "text/html");
    const fresh = page.getElementById("door");
    if (answer.ok && fresh) {
      keep(fresh);
      pick(current());
    }
  } catch {
    // The stream says when the connection is back.
  } finally {
    asking = false;
    if (again) {
      again = false;
      look();
    }
  }
}

// Decided without leaving the page, so that the next one can be answered at once. A second press on the same one says nothing new.
async function send(form, button) {
  if (sending.has(form.action)) return;
  sending.add(form.action);
  await sent(form, button);
  sending.delete(form.action);
}

async function sent(form, button) {
  const fields = new URLSearchParams(new FormData(form));
  if (button?.name) fields.set(button.name, button.value);
  try {
    const answer = await fetch(form.action, { method: "POST", body: fields });
    const page = new DOMParser().parseFromString(await answer.text(), "text/html");
    const fresh = page.getElementById("door");
    if (!answer.ok || !fresh) {
      location.reload();
      return;
    }
    document.querySelectorAll("main > .said, main > .warned").forEach((said) => said.remove());
    const said = page.querySelector("main > .said, main > .warned");
    keep(fresh);
    if (said) sheet().before(said);
    pick(current());
  } catch {
    document.querySelector("[data-lost]").hidden = false;
  }
}

function key(event) {
  if (event.target.closest("input, textarea, select") || event.ctrlKey || event.metaKey || event.altKey) return;
  if (localStorage.getItem("keys") === "off" || !current()) return;
  // A key after g goes to another page.
  const goes = going;
  going = event.key === "g" && !goes;
  if (going || goes) return;
  const row = current();
  if (event.key === "j" || event.key === "k") {
    const all = rows();
    pick(all[Math.max(0, Math.min(all.length - 1, all.indexOf(row) + (event.key === "j" ? 1 : -1)))]);
  } else {
    if (event.repeat) return;
    if (event.key === "Enter" && event.target.closest("a, button, summary")) return;
    const button = row.querySelector(`[data-key="${event.key}"]`);
    if (!button) return;
    button.click();
  }
  event.preventDefault();
  event.stopImmediatePropagation();
}

export function start() {
  const lost = document.querySelector("[data-lost]");
  const events = new EventSource(sheet().dataset.events);
  events.addEventListener("open", () => { lost.hidden = true; });
  events.addEventListener("error", () => { lost.hidden = false; });
  events.addEventListener("door", look);
  document.addEventListener("keydown", key, true);
  document.addEventListener("submit", (event) => {
    if (!event.target.closest("#door")) return;
    event.preventDefault();
    send(event.target, event.submitter);
  });
  // Waiting times go on.
  setInterval(() => { if (rows().length > 0 && !document.hidden) look(); }, 10_000);
  pick(current());
}
