// Counts down to when a reply is due, and loads the page anew when the time is over.
import { timeLeft } from "./time-left.js";

export function start() {
  const display = document.querySelector("[data-deadline]");
  const until = performance.now() + Number(display.dataset.deadline) * 1000;
  const timer = setInterval(() => tick(), 1000);
  const tick = () => {
    const left = Math.ceil((until - performance.now()) / 1000);
    display.textContent = left > 0 ? `in ${timeLeft(left)}` : "now";
    if (left <= -2) {
      clearInterval(timer);
      location.reload();
    }
  };
  if (Number(display.dataset.deadline) > 0) {
    tick();
  } else {
    clearInterval(timer);
  }
}
