// Reads typed dates back while they are typed. The server reads them; this asks, shows, and leads to what is wrong.
export function start() {
  const form = document.querySelector("[data-read-dates]");
  const field = form.querySelector("textarea");
  const sum = form.querySelector("[data-sum]");
  let latest = 0;
  let waiting;

  const read = async () => {
    const mine = ++latest;
    const body = new URLSearchParams(new FormData(form));
    const response = await fetch(form.dataset.readDates, { method: "POST", body });
    if (response.ok && mine === latest) {
      const fresh = new DOMParser().parseFromString(await response.text(), "text/html").querySelector("#readings");
      form.querySelector("#readings").replaceWith(fresh);
      sum.textContent = fresh.dataset.sumIs ?? "";
    }
  };

  field.addEventListener("input", () => {
    clearTimeout(waiting);
    waiting = setTimeout(read, 90);
  });
  // What was typed before this was loaded is read as well.
  if (field.value !== field.defaultValue) read();
  // A press on what is wrong puts the cursor where it is.
  form.addEventListener("click", (event) => {
    const line = event.target.closest(".wrong[data-line]");
    if (line) {
      const lines = field.value.split("\n");
      const before = lines.slice(0, Number(line.dataset.line) - 1).reduce((length, text) => length + text.length + 1, 0);
      const at = before + Number(line.dataset.column) - 1;
      field.focus();
      field.setSelectionRange(at, before + lines[Number(line.dataset.line) - 1].length);
    }
  });
}
