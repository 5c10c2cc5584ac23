// Acting on several sessions: counts what is ticked, lets Shift tick a stretch, and asks before people are told.
export function start() {
  const form = document.querySelector("[data-together]");
  const boxes = [...form.querySelectorAll("input[name=session]")];
  const all = form.querySelector("[data-tick-all]");
  const words = form.querySelector("[data-ticked]");
  if (!words) return;
  let last = null;
  const count = () => {
    const ticked = boxes.filter((box) => box.checked).length;
    words.textContent = ticked === 0 ? "Select sessions to act on them together:" : `${ticked} selected:`;
    form.classList.toggle("has-ticked", ticked > 0);
  };
  all?.addEventListener("change", () => {
    boxes.forEach((box) => { box.checked = all.checked; });
    count();
  });
  boxes.forEach((box, index) => {
    box.addEventListener("click", (event) => {
      if (event.shiftKey && last !== null) {
        const [from, to] = [Math.min(last, index), Math.max(last, index)];
        boxes.slice(from, to + 1).forEach((other) => { other.checked = box.checked; });
      }
      last = index;
      count();
    });
  });
  for (const button of form.querySelectorAll("[data-confirm-together]")) {
    button.addEventListener("click", (event) => {
      if (!window.confirm(button.dataset.confirmTogether)) {
        event.preventDefault();
      }
    });
  }
  count();
}
