// Counts down how long a time is held. When that is over it may still be free, and is asked for all the same.
export function start() {
  const word = document.querySelector("[data-held]");
  const until = performance.now() + Number(word.dataset.held) * 1000;
  const tick = () => {
    const left = Math.ceil((until - performance.now()) / 1000);
    if (left > 0) {
      word.textContent = `held for you ${Math.floor(left / 60)}:${String(left % 60).padStart(2, "0")}`;
    } else {
      clearInterval(timer);
      word.textContent = "held no longer; still yours if nobody else takes it";
    }
  };
  const timer = setInterval(tick, 1000);
  tick();
}
