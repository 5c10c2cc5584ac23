// Keys of the desk: / goes to the search field, arrows walk along the tideline.
const strokes = () => [...document.querySelectorAll("[data-tideline] a")];

const isTyping = (target) => target.closest("input, textarea, select, [contenteditable]");

export function start() {
  document.addEventListener("keydown", (event) => {
    if (event.key === "/" && !isTyping(event.target) && !event.ctrlKey && !event.metaKey) {
      event.preventDefault();
      document.querySelector("[data-focus-key='/']").focus();
    }
  });
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
