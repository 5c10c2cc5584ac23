// The questions of a sheet: put in order by dragging their numbers or with the arrow keys on them, added, and shown with
// only those fields that go with the answer type.
const COUNTED = { SHORT_TEXT: "characters", LONG_TEXT: "characters", CHOOSE_SEVERAL: "of them" };
const BOUNDS = { NUMBER: "in numbers", DATE: "as 2027-03-16", ...COUNTED };
const OPTIONS = ["CHOOSE_ONE", "CHOOSE_SEVERAL"];

const rows = (box) => [...box.querySelectorAll("[data-question]")];

const renumber = (box) => {
  rows(box).forEach((row, index) => {
    for (const field of row.querySelectorAll("[name^='question[']")) {
      field.name = field.name.replace(/question\[\d+\]/, `question[${index}]`);
    }
    row.querySelector(".rank b").textContent = index + 1;
    row.querySelector("[data-grip]").setAttribute("aria-label", `Move question ${index + 1}; arrow keys move it up or down`);
  });
  offerEarlier(box);
};

// A question can only hang on one before it.
const offerEarlier = (box) => {
  rows(box).forEach((row, index) => {
    const select = row.querySelector("[data-shown-if]");
    const chosen = select.value;
    select.replaceChildren(new Option("always", ""));
    for (const before of rows(box).slice(0, index)) {
      const label = before.querySelector("[data-label]").value.trim();
      if (label) {
        const short = label.length > 40 ? `${label.slice(0, 37)}…` : label;
        select.append(new Option(`if “${short}”`, before.querySelector("[data-ref]").value));
      }
    }
    select.value = [...select.options].some((o) => o.value === chosen) ? chosen : "";
    show(row);
  });
};

const show = (row) => {
  const kind = row.querySelector("[data-kind]").value;
  row.querySelector("[data-options]").hidden = !OPTIONS.includes(kind);
  row.querySelector("[data-bounds]").hidden = !(kind in BOUNDS);
  row.querySelector("[data-bounds-word]").textContent = BOUNDS[kind] ?? "";
  row.querySelector("[data-shown-values]").hidden = row.querySelector("[data-shown-if]").value === "";
  row.classList.toggle("is-blank", row.querySelector("[data-label]").value.trim() === "");
};

// What the folded part of a question says, on one line.
const gist = (row) => {
  const value = (name) => row.querySelector(`[name$='.${name}']`)?.value.trim() ?? "";
  const lines = (text) => text.split("\n").map((line) => line.trim()).filter(Boolean).join(", ");
  const kind = row.querySelector("[data-kind]").value;
  const bounds = [value("least") && `from ${value("least")}`, value("most") && `to ${value("most")}`].filter(Boolean).join(" ");
  const asked = row.querySelector("[data-shown-if]");
  return [
    value("help"),
    OPTIONS.includes(kind) && lines(value("options")),
    kind in BOUNDS && bounds && `${bounds} ${COUNTED[kind] ?? ""}`.trim(),
    asked.value && `${asked.selectedOptions[0].text} is ${lines(value("shownValues")) || "answered"}`,
  ].filter(Boolean).join(" · ");
};

// A question reads as two lines until somebody works on it.
const fold = (row) => {
  if (row.classList.contains("is-blank") || row.querySelector(".field-problem")) return;
  const line = document.createElement("button");
  line.type = "button";
  line.className = "gist wide";
  line.setAttribute("aria-expanded", "false");
  line.textContent = gist(row) || "add a note or a condition";
  line.addEventListener("click", () => {
    unfold(row);
    row.querySelector(".wide input").focus();
  });
  row.classList.add("is-folded");
  row.append(line);
};

const unfold = (row) => {
  row.classList.remove("is-folded");
  row.querySelector(".gist")?.remove();
};

const unfoldWorkedOn = (event) => {
  const row = event.target.closest(".is-folded");
  if (row && !event.target.closest("[data-grip], .gist")) unfold(row);
};

const moved = (box, row) => {
  renumber(box);
  row.querySelector("[data-grip]").focus();
  box.closest("form").dispatchEvent(new Event("input", { bubbles: true }));
};

const byKeys = (box, event) => {
  const row = event.target.closest("[data-grip]") && event.target.closest("[data-question]");
  if (!row) return;
  if (event.key === "ArrowUp" && row.previousElementSibling) {
    row.previousElementSibling.before(row);
  } else if (event.key === "ArrowDown" && row.nextElementSibling) {
    row.nextElementSibling.after(row);
  } else {
    return;
  }
  event.preventDefault();
  moved(box, row);
};

const byDragging = (box) => {
  let dragged = null;
  box.addEventListener("dragstart", (event) => {
    dragged = event.target.closest("[data-grip]") && event.target.closest("[data-question]");
    dragged?.classList.add("is-dragged");
  });
  box.addEventListener("dragover", (event) => {
    const over = event.target.closest("[data-question]");
    if (!dragged || !over || over === dragged) return;
    event.preventDefault();
    const { top, bottom } = over.getBoundingClientRect();
    const comesLater = over.compareDocumentPosition(dragged) & Node.DOCUMENT_POSITION_FOLLOWING;
    // The rows change places once the pointer would be on the dragged one afterwards, so that they never flicker.
    if (comesLater && event.clientY < top + dragged.offsetHeight) over.before(dragged);
    else if (!comesLater && event.clientY > bottom - dragged.offsetHeight) over.after(dragged);
  });
  box.addEventListener("dragend", () => {
    if (!dragged) return;
    dragged.classList.remove("is-dragged");
    moved(box, dragged);
    dragged = null;
  });
};

const add = (box) => {
  const last = rows(box).at(-1);
  const fresh = last.cloneNode(true);
  fresh.querySelectorAll("input, textarea").forEach((field) => {
    if (field.type === "checkbox") field.checked = false;
    else field.value = "";
  });
  fresh.querySelectorAll("[id]").forEach((e) => e.removeAttribute("id"));
  fresh.querySelectorAll("label[for]").forEach((label) => label.removeAttribute("for"));
  fresh.querySelector("[data-label]").setAttribute("aria-label", "Question");
  fresh.querySelector("[data-kind]").setAttribute("aria-label", "Answer type");
  fresh.querySelector("[data-ref]").value = `new-${Date.now()}-${rows(box).length}`;
  fresh.querySelector(".field-problem")?.remove();
  unfold(fresh);
  last.after(fresh);
  renumber(box);
  fresh.querySelector("[data-label]").focus();
};

export function start() {
  const box = document.querySelector("[data-questions]");
  box.addEventListener("keydown", (event) => byKeys(box, event));
  byDragging(box);
  box.addEventListener("change", () => offerEarlier(box));
  box.addEventListener("focusin", unfoldWorkedOn);
  const button = document.querySelector("[data-add-question]");
  button.hidden = false;
  button.addEventListener("click", () => add(box));
  offerEarlier(box);
  rows(box).forEach(fold);
}
