// Reports leaving when the page is closed; coming back to it from the browser's memory asks for the room anew.
export function start() {
  const room = document.querySelector("[data-room]");
  window.addEventListener("pagehide", () => navigator.sendBeacon(room.dataset.leave));
  window.addEventListener("pageshow", (event) => {
    if (event.persisted) {
      location.reload();
    }
  });
}
