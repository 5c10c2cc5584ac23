// Arrow keys go through the times, a day to the side and a time up or down. On a phone a day opens in place.
const times = (day) => [...day.querySelectorAll("li button:not(:disabled)")];

const step = (days, from, key) => {
  const day = days.findIndex((d) => d.contains(from));
  const at = times(days[day]).indexOf(from);
  if (key === "ArrowDown") return times(days[day])[at + 1];
  if (key === "ArrowUp") return times(days[day])[at - 1];
  const side = key === "ArrowRight" ? 1 : -1;
  for (let i = day + side; i >= 0 && i < days.length; i += side) {
    const there = times(days[i]);
    if (there.length > 0) return there[Math.min(at, there.length - 1)];
  }
  return undefined;
};

const open = (days, day) => days.forEach((d) => d.classList.toggle("is-open", d === day));

export function start() {
  const table = document.querySelector("[data-tide]");
  const days = [...table.querySelectorAll(".tide-day")];
  const all = () => days.flatMap(times);
  // One stop for the Tab key; the arrows do the rest.
  const stop = (button) => all().forEach((b) => { b.tabIndex = b === button ? 0 : -1; });
  stop(table.querySelector("button.is-picked") ?? all()[0]);
  table.addEventListener("keydown", (event) => {
    const from = event.target.closest("li button");
    if (!from || !event.key.startsWith("Arrow")) return;
    event.preventDefault();
    const to = step(days, from, event.key);
    if (to) {
      open(days, to.closest(".tide-day"));
      stop(to);
      to.focus();
    }
  });
  for (const link of table.querySelectorAll("[data-open-day]")) {
    link.addEventListener("click", (event) => {
      event.preventDefault();
      const day = link.closest(".tide-day");
      open(days, day);
      if (times(day).length > 0) stop(times(day)[0]);
    });
  }
}
