// A part of a page that is fetched anew when something has happened; it waits while somebody types in it.
const part = () => document.querySelector("[data-follow]");
let asking = false;
let again = false;

function isTyping() {
  const field = document.activeElement;
  return field?.matches?.("input, textarea, select") && part().contains(field);
}

async function look() {
  if (asking || isTyping()) {
    again = true;
    return;
  }
  asking = true;
  again = false;
  try {
    const answer = await fetch(location.href);
    const page = new DOMParser().parseFromString(await answer.text(), "text/html");
    const fresh = page.querySelector("[data-follow]");
    if (!answer.ok || !fresh) location.reload();
    else if (!isTyping()) part().replaceWith(fresh);
  } catch {
    // The stream says when the connection is back.
  } finally {
    asking = false;
  }
}

// Clocks run on between two looks.
function tick() {
  for (const clock of document.querySelectorAll("[data-turn-clock]")) {
    const seconds = Number(clock.dataset.seconds) + 1;
    clock.dataset.seconds = seconds;
    clock.textContent = `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, "0")}`;
  }
}

export function start() {
  const lost = document.querySelector("[data-lost]");
  const events = new EventSource(part().dataset.events);
  events.addEventListener("open", () => { lost.hidden = true; });
  events.addEventListener("error", () => { lost.hidden = false; });
  events.addEventListener("door", look);
  document.addEventListener("focusout", () => { if (again) look(); });
  setInterval(tick, 1000);
  setInterval(() => { if (!document.hidden) look(); }, 30_000);
}
