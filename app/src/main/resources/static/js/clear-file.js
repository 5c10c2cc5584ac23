// Sends an upload form without its file, which takes the picture away.
export function start() {
  for (const button of document.querySelectorAll("[data-clear-file]")) {
    button.addEventListener("click", () => { document.querySelector(button.dataset.clearFile).value = ""; });
  }
}
