// Proposes the browser's zone on the first form of an empty installation.
export function start() {
  const select = document.querySelector("[data-guess-zone] select[name=zone]");
  const zone = Intl.DateTimeFormat().resolvedOptions().timeZone;
  if (!select.value && [...select.options].some((option) => option.value === zone)) {
    select.value = zone;
  }
}
