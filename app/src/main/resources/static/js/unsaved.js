// Says that something is not kept yet, and asks before it is lost.
export function start() {
  const form = document.querySelector("[data-unsaved]");
  const word = form.querySelector("[data-unsaved-word]");
  let changed = false;
  form.addEventListener("input", () => {
    changed = true;
    word.hidden = false;
  });
  form.addEventListener("submit", () => { changed = false; });
  window.addEventListener("beforeunload", (event) => {
    if (changed) {
      event.preventDefault();
    }
  });
  for (const row of form.querySelectorAll(".question")) {
    const kind = row.querySelector("[data-kind]");
    if (!kind) continue;
    const options = row.querySelector("[data-options]");
    const show = () => { options.hidden = kind.value !== "CHOOSE_ONE"; };
    kind.addEventListener("change", show);
    show();
  }
}
