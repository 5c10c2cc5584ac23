// Arrows walk along the tideline; forms that are sent when something is chosen.
const strokes = () => [...document.querySelectorAll("[data-tideline] a")];

export function start() {
  document.querySelector("[data-tideline]").addEventListener("keydown", (event) => {
    const step = { ArrowRight: 1, ArrowLeft: -1 }[event.key];
    if (step) {
      const all = strokes();
      const next = all[all.indexOf(document.activeElement) + step] ?? all[step > 0 ? 0 : all.length - 1];
      next?.focus();
      event.preventDefault();
    }
  });
  for (const form of document.querySelectorAll("[data-submit-on-change]")) {
    form.addEventListener("change", () => form.requestSubmit());
  }
}
