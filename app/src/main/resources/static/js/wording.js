// Words of a message: read as they are typed, in a frame of their own; names are put in from a list, by mouse or keys.
const WAIT = 400;

const insert = (field, text) => {
  const { selectionStart: from, selectionEnd: to, value } = field;
  const open = value.slice(0, from).match(/\{\{\{?[#^/]?\w*$/)?.[0] ?? "";
  field.setRangeText(text, from - open.length, to, "end");
  field.focus();
  field.dispatchEvent(new Event("input", { bubbles: true }));
};

// Links are written as they are; a condition opens and closes its part.
const tag = (name, meaning, field) => {
  if (field.id === "asText" && name.endsWith("_link")) return `{{${name}}}`;
  if (name.endsWith("_link")) return `<{{{${name}}}}>`;
  return meaning.startsWith("condition") ? `{{#${name}}}\n\n{{/${name}}}` : `{{${name}}}`;
};

export function start() {
  const form = document.querySelector("[data-wording]");
  const preview = form.querySelector("[data-preview]");
  const body = form.querySelector("#body");
  const names = form.querySelector("[data-names]");
  const chips = [...names.querySelectorAll("[data-name]")];
  let field = body;
  let waiting;
  let readings = 0;

  // Each reading has a frame of its own, so that the way back in the browser does not lead through all of them.
  const read = () => {
    const before = form.querySelector("[data-message]:not([hidden])");
    form.querySelector("[data-message][hidden]")?.remove();
    const fresh = before.cloneNode();
    fresh.hidden = true;
    fresh.name = `message-${(readings += 1)}`;
    preview.formTarget = fresh.name;
    before.after(fresh);
    fresh.addEventListener("load", () => {
      // What is read has no origin that this page could look into; the empty frame before it has.
      if (fresh.contentDocument || !fresh.isConnected) return;
      before.remove();
      fresh.hidden = false;
    });
    form.requestSubmit(preview);
  };
  form.addEventListener("input", (event) => {
    if (!event.target.matches("[data-words]")) return;
    clearTimeout(waiting);
    waiting = setTimeout(read, WAIT);
    offer();
  });
  form.addEventListener("focusin", (event) => {
    if (!event.target.matches("input[data-words]:not([type=radio]), textarea")) return;
    field = event.target;
    const part = form.querySelector(`[name=part][value=${field.id === "asText" ? "phone" : "html"}]`);
    if (field.id !== "asText" && !form.querySelector("[name=part][value=phone]:checked")) return;
    if (!part.checked) {
      part.checked = true;
      read();
    }
  });
  names.addEventListener("click", (event) => {
    const chip = event.target.closest("[data-name]");
    if (chip) insert(field, tag(chip.dataset.name, chip.title, field));
  });
  names.addEventListener("keydown", (event) => {
    const shown = chips.filter((chip) => !chip.hidden);
    const step = { ArrowRight: 1, ArrowDown: 1, ArrowLeft: -1, ArrowUp: -1 }[event.key];
    const next = shown[shown.indexOf(document.activeElement) + step];
    if (step && next) {
      event.preventDefault();
      next.focus();
    } else if (event.key === "Escape") {
      field.focus();
    }
  });

  // While a name is being typed only those that begin like it are in sight; ↓ goes to them, Tab takes the first.
  const begun = () => body.value.slice(0, body.selectionStart).match(/\{\{\{?[#^/]?([\w.]*)$/)?.[1];
  const offer = () => {
    const said = document.activeElement === body ? begun() : undefined;
    chips.forEach((chip) => {
      chip.hidden = said !== undefined && !chip.dataset.name.startsWith(said);
    });
    names.classList.toggle("is-offered", said !== undefined);
  };
  body.addEventListener("keydown", (event) => {
    const first = chips.find((chip) => !chip.hidden);
    if (!names.classList.contains("is-offered") || !first) return;
    if (event.key === "ArrowDown") {
      event.preventDefault();
      first.focus();
    } else if (event.key === "Tab" && !event.shiftKey) {
      event.preventDefault();
      insert(body, tag(first.dataset.name, first.title, body));
      names.classList.remove("is-offered");
    }
  });
  if (form.querySelector("[name=reader] option")) read();
}
