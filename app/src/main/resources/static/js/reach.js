// Says before a change how many sessions and people it reaches, and shows the hosts only where they differ.
export function start() {
  const form = document.querySelector("[data-reach]");
  const words = form.querySelector("[data-reach-words]");
  const hosts = form.querySelector("[data-hosts]");
  const own = form.querySelector("[data-own-hosts]");
  const show = () => {
    const scope = form.querySelector("input[name=scope]:checked");
    const sessions = Number(scope.dataset.sessions);
    const people = Number(scope.dataset.people);
    words.textContent = `${sessions === 1 ? "One session" : `${sessions} sessions`}, `
      + `${people === 0 ? "nobody" : people === 1 ? "one person" : `${people} people`} on ${sessions === 1 ? "it" : "them"}.`;
    hosts.hidden = !own.checked;
  };
  form.addEventListener("change", show);
  show();
}
