// The button says what it does, and the facts follow the chosen date. Sending twice is stopped here, too.
const chosen = () => document.querySelector("input[name=session]:checked");

const show = () => {
  const date = chosen();
  for (const part of document.querySelectorAll("[data-for-date]")) {
    part.hidden = !date || part.dataset.forDate !== date.value;
  }
  const people = Number(document.querySelector("[data-party]")?.value ?? 1);
  const seats = people === 1 ? "the seat" : `${people} seats`;
  document.querySelector("[data-take]").textContent =
    date?.dataset.waitlist === "true" ? "Take a seat or join the waitlist" : `Take ${seats}`;
};

export function start() {
  const form = document.querySelector("[data-register]");
  form.addEventListener("change", show);
  document.addEventListener("times-replaced", show);
  let sent = false;
  form.addEventListener("submit", (event) => {
    if (sent) {
      event.preventDefault();
    }
    sent = true;
  });
  window.addEventListener("pageshow", () => { sent = false; });
  show();
}
