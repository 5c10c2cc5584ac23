// A soft sound when somebody new waits, for whoever wishes it. The wish is kept in this browser; without it there is none.
const KEPT = "sound";
let audio;

const isWished = () => localStorage.getItem(KEPT) === "on";
const waiting = () => new Set([...document.querySelectorAll("[data-knock]")].map((row) => row.dataset.knock));

function tone(at, pitch) {
  const swing = audio.createOscillator();
  const loud = audio.createGain();
  swing.frequency.value = pitch;
  loud.gain.setValueAtTime(0.0001, at);
  loud.gain.exponentialRampToValueAtTime(0.12, at + 0.02);
  loud.gain.exponentialRampToValueAtTime(0.0001, at + 0.4);
  swing.connect(loud).connect(audio.destination);
  swing.start(at);
  swing.stop(at + 0.45);
}

function chime() {
  if (!isWished()) return;
  audio ??= new AudioContext();
  tone(audio.currentTime, 587);
  tone(audio.currentTime + 0.16, 784);
}

export function start() {
  const box = document.querySelector("[data-sound]");
  box.closest("label").hidden = false;
  box.checked = isWished();
  // Played at once, so that one knows it; browsers allow sounds only after a press.
  box.addEventListener("change", () => {
    localStorage.setItem(KEPT, box.checked ? "on" : "off");
    chime();
  });
  let known = waiting();
  new MutationObserver(() => {
    const now = waiting();
    if ([...now].some((row) => !known.has(row))) chime();
    known = now;
  }).observe(document.querySelector("main"), { childList: true, subtree: true });
}
