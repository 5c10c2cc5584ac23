// Says what will happen to whom before it happens; also in parts of a page that came later.
let listening = false;

function ask(event, asking) {
  if (asking && !window.confirm(asking.dataset.confirm)) {
    event.preventDefault();
    event.stopImmediatePropagation();
  }
}

export function start() {
  if (listening) return;
  listening = true;
  addEventListener("submit", (event) => ask(event, event.target.closest("form[data-confirm]")), true);
  addEventListener("click", (event) => ask(event, event.target.closest?.("button[data-confirm]")), true);
}
