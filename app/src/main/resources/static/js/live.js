// The page beside the meeting: asks from time to time how things stand. What is the same for all is fetched when it has changed.
const main = document.querySelector("[data-live]");
const done = new Set((main.dataset.done ?? "").split(" ").filter(Boolean));

// What somebody has seconded or voted for stays marked.
function mark() {
  for (const button of document.querySelectorAll("[data-mark]")) {
    button.setAttribute("aria-pressed", String(done.has(button.dataset.mark)));
  }
}

async function refresh() {
  const box = document.querySelector("[data-beside]");
  const answer = await fetch(`${box.dataset.from}?version=${encodeURIComponent(box.dataset.version)}`);
  if (answer.status !== 200) return;
  const fresh = new DOMParser().parseFromString(await answer.text(), "text/html").querySelector("[data-beside]");
  if (!fresh) return;
  const focus = document.activeElement?.dataset?.mark;
  box.replaceWith(fresh);
  mark();
  if (focus) document.querySelector(`[data-mark="${focus}"]`)?.focus();
}

function line(turn) {
  const before = document.querySelector("[data-before]");
  if (!before) return;
  before.textContent = turn.before === 0 ? "You are next" : `${turn.before} before you`;
  document.querySelector("[data-expected]").textContent = turn.expected;
}

async function ask() {
  let every = 5;
  try {
    const answer = await fetch(main.dataset.live);
    if (answer.status === 404) location.reload();
    if (answer.ok) {
      const state = await answer.json();
      every = state.every;
      if (state.turn.state !== main.dataset.turn || state.open !== (main.dataset.state === "open")) {
        location.reload();
        return;
      }
      line(state.turn);
      if (state.version !== document.querySelector("[data-beside]").dataset.version) await refresh();
    }
  } catch {
    // No connection: it is asked again.
  }
  setTimeout(ask, every * 1000 * (0.8 + Math.random() * 0.4));
}

// Sent without leaving the page.
async function send(event) {
  const form = event.target;
  const small = /\/(second|vote|ask)$/.test(form.action);
  if (!small) return;
  event.preventDefault();
  const fields = new URLSearchParams(new FormData(form));
  // What is the same for all carries nobody's token.
  fields.set("_csrf", main.dataset.csrf);
  const { submitter } = event;
  if (submitter?.name) fields.set(submitter.name, submitter.value);
  try {
    const answer = await fetch(form.action, { method: "POST", body: fields });
    const page = new DOMParser().parseFromString(await answer.text(), "text/html");
    const warned = page.querySelector(".warned");
    main.querySelector(".warned")?.remove();
    if (warned) main.prepend(warned);
    done.clear();
    (page.querySelector("[data-live]")?.dataset.done ?? "").split(" ").filter(Boolean).forEach((each) => done.add(each));
    if (form.action.endsWith("/ask") && !warned) {
      form.elements.words.value = "";
      said(form, "Your question is with the host.");
    }
    await refresh();
    mark();
  } catch {
    said(form, "No network. Please try again.");
  }
}

function said(form, words) {
  const note = form.querySelector("[role=status]") ?? form.appendChild(document.createElement("p"));
  note.setAttribute("role", "status");
  note.textContent = words;
}

export function start() {
  mark();
  document.addEventListener("submit", send);
  setTimeout(ask, 4000);
}
