// Loads the page again after so many seconds, for something that is nearly ready.
export function start() {
  const seconds = Number(document.querySelector("[data-again]").dataset.again);
  setTimeout(() => location.reload(), seconds * 1000);
}
