// Counts what is ticked, and ticks the whole page at once.
export function start() {
  const form = document.querySelector("[data-chosen]");
  const all = form.querySelector("[data-choose-all]");
  const each = [...form.querySelectorAll("[data-choose]")];
  const count = form.querySelector("[data-chosen-count]");
  const show = () => {
    const ticked = each.filter((box) => box.checked).length;
    if (count) count.textContent = ticked === 0 ? "0 selected" : `${ticked} selected`;
    if (all) {
      all.checked = ticked > 0 && ticked === each.length;
      all.indeterminate = ticked > 0 && ticked < each.length;
    }
  };
  all?.addEventListener("change", () => {
    each.forEach((box) => { box.checked = all.checked; });
    show();
  });
  form.addEventListener("change", show);
  show();
}
