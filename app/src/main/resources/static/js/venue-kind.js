// Shows only the fields that go with the chosen sort of venue.
export function start() {
  const choice = document.querySelector("[data-venue-kind]");
  const show = () => {
    const kind = choice.querySelector("input:checked")?.value;
    for (const row of document.querySelectorAll("[data-for-kind]")) {
      row.hidden = row.dataset.forKind !== kind;
    }
  };
  choice.addEventListener("change", show);
  show();
}
