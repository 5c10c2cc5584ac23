// The playhead of a rehearsal goes where somebody presses on the score; the arrow keys move it.
const STEP = 8;

export function start() {
  const box = document.querySelector("[data-score]");
  const drawing = box.querySelector("svg");
  const width = drawing.viewBox.baseVal.width;
  const go = (x) => location.assign(`${box.dataset.score}&x=${Math.round(Math.max(0, Math.min(width, x)))}`);
  const head = () => Number(drawing.querySelector(".now").getBBox().x);

  drawing.addEventListener("click", (event) => {
    if (event.target.closest("a")) return;
    const { left, width: shown } = drawing.getBoundingClientRect();
    go((event.clientX - left) / shown * width);
  });
  box.addEventListener("keydown", (event) => {
    const step = { ArrowRight: STEP, ArrowLeft: -STEP }[event.key];
    if (!step || event.target !== box) return;
    event.preventDefault();
    sessionStorage.setItem("score", "keys");
    go(head() + step);
  });
  if (sessionStorage.getItem("score")) {
    sessionStorage.removeItem("score");
    box.focus();
  }
}
