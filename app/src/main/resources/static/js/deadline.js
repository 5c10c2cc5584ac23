// Counts down to when a reply is due, and loads the page anew when the time is over.
const words = (left) => {
  if (left >= 86400) return `${Math.floor(left / 86400)} d ${Math.floor((left % 86400) / 3600)} h`;
  if (left >= 3600) return `${Math.floor(left / 3600)} h ${Math.floor((left % 3600) / 60)} min`;
  return `${Math.floor(left / 60)} min ${String(left % 60).padStart(2, "0")} s`;
};

export function start() {
  const display = document.querySelector("[data-deadline]");
  const until = performance.now() + Number(display.dataset.deadline) * 1000;
  const timer = setInterval(() => tick(), 1000);
  const tick = () => {
    const left = Math.ceil((until - performance.now()) / 1000);
    display.textContent = left > 0 ? `in ${words(left)}` : "now";
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
