// Picks days with a press each and writes them, with times typed once, as lines into the typed dates.
export function start() {
  const picker = document.querySelector("[data-day-picker]");
  const text = document.querySelector(picker.dataset.dayPicker);
  const times = picker.querySelector("[data-times]");
  const words = picker.querySelector("[data-picked]");
  const buttons = [...picker.querySelectorAll("[data-day]")];
  const picked = () => buttons.filter((button) => button.getAttribute("aria-pressed") === "true");

  // What is picked and not yet written outlives a file that is read meanwhile, or another section that is saved.
  const place = `picked:${location.pathname}`;
  const keep = () =>
    sessionStorage.setItem(place, JSON.stringify({ days: picked().map((button) => button.dataset.day), times: times.value }));

  const count = () => {
    const number = picked().length;
    words.textContent = number === 0 ? "" : number === 1 ? "one day" : `${number} days`;
    keep();
  };
  const bringBack = () => {
    const { days, times: typed } = JSON.parse(sessionStorage.getItem(place) ?? '{"days": [], "times": ""}');
    buttons.filter((button) => days.includes(button.dataset.day)).forEach((button) => button.setAttribute("aria-pressed", "true"));
    times.value = times.value || typed;
    if (picked().length > 0) picker.closest("details").open = true;
    count();
  };
  picker.addEventListener("click", (event) => {
    const day = event.target.closest("[data-day]");
    if (day) {
      day.setAttribute("aria-pressed", day.getAttribute("aria-pressed") === "true" ? "false" : "true");
      count();
    }
  });
  picker.addEventListener("keydown", (event) => {
    const step = { ArrowRight: 1, ArrowLeft: -1, ArrowDown: 7, ArrowUp: -7 }[event.key];
    const at = buttons.indexOf(event.target);
    if (step && at >= 0 && buttons[at + step] && !buttons[at + step].disabled) {
      event.preventDefault();
      buttons[at + step].focus();
    }
  });
  picker.querySelector("[data-write]").addEventListener("click", () => {
    const lines = picked().map((button) => `${button.dataset.day} ${times.value.trim()}`.trim());
    if (lines.length === 0) return;
    const before = text.value.trimEnd();
    text.value = `${before}${before ? "\n" : ""}${lines.join("\n")}\n`;
    picked().forEach((button) => button.setAttribute("aria-pressed", "false"));
    count();
    text.dispatchEvent(new Event("input", { bubbles: true }));
    text.focus();
  });
  times.addEventListener("input", keep);
  bringBack();
}
