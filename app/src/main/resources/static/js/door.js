// Counts down to the door and goes on by itself. The server is asked from time to time, because a session may move.
import { say } from "./door-note.js";
import { timeLeft } from "./time-left.js";

const ASK_EVERY = 5;

export function start() {
  const door = document.querySelector("[data-door]");
  const display = door.querySelector("[data-countdown]");
  let until = performance.now() + Number(door.dataset.seconds) * 1000;
  let ticks = 0;

  const ask = async () => {
    try {
      const answer = await fetch(door.dataset.stateAddress);
      if (!answer.ok) return;
      const state = await answer.json();
      if (state.meets !== "COUNTDOWN") {
        location.reload();
        return;
      }
      say(state.note);
      until = performance.now() + state.secondsLeft * 1000;
    } catch {
      // No connection: the countdown goes on and asks again.
    }
  };

  const tick = () => {
    const left = Math.max(0, Math.ceil((until - performance.now()) / 1000));
    display.textContent = timeLeft(left);
    ticks += 1;
    if (left === 0 || ticks % ASK_EVERY === 0) {
      ask();
    }
  };
  tick();
  setInterval(tick, 1000);
}
