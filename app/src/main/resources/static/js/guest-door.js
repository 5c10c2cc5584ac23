// A guest before the door: asks from time to time, and goes on when something has changed.
import { say } from "./door-note.js";
import { timeLeft } from "./time-left.js";

const ASK_EVERY = 4;

export function start() {
  const door = document.querySelector("[data-guest-door]");
  const display = door.querySelector("[data-countdown]");
  const place = door.querySelector("[data-place]");
  const opens = performance.now() + Number(door.dataset.seconds) * 1000;
  let ticks = 0;

  const ask = async () => {
    try {
      const answer = await fetch(door.dataset.stateAddress);
      if (!answer.ok) {
        if (answer.status === 404) location.reload();
        return;
      }
      const state = await answer.json();
      say(state.note);
      if (state.meets === "INSIDE" && door.dataset.way) {
        location.href = door.dataset.way;
      } else if (state.meets !== door.dataset.meets || state.word !== (door.dataset.word ?? "")) {
        location.reload();
      } else if (place) {
        place.textContent = state.place <= 1 ? "You are next." : `${state.place - 1} ahead of you.`;
      }
    } catch {
      // No connection: it is asked again.
    }
  };

  setInterval(() => {
    const left = Math.max(0, Math.ceil((opens - performance.now()) / 1000));
    if (display) display.textContent = timeLeft(left);
    ticks += 1;
    if (ticks % ASK_EVERY === 0 || (display && left === 0)) ask();
  }, 1000);
}
