// What the host says to all who wait; it may change while they read.
export function say(words) {
  const note = document.querySelector("[data-door-note]");
  if (!note || note.textContent === words) return;
  note.textContent = words;
  note.hidden = words === "";
}
