// Says that something is Unsaved changes, and asks before it is lost.
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
}
