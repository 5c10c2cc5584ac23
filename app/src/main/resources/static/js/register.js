// The button says what it does, and the facts follow the chosen date. Questions appear when the answer they hang on is
// given, companions when they are counted. Sending twice is stopped here, too.
const chosen = () => document.querySelector("input[name=session]:checked");

const showDate = () => {
  const date = chosen();
  for (const part of document.querySelectorAll("[data-for-date]")) {
    part.hidden = !date || part.dataset.forDate !== date.value;
  }
  const button = document.querySelector("[data-take-button]");
  if (button && date && !document.querySelector("input[name=reply]")) {
    const people = Number(document.querySelector("[data-party]")?.value ?? 1);
    button.textContent = date.dataset.take === "Register" && people > 1 ? `Register ${people} people` : date.dataset.take;
    document.querySelector("[data-take-title]").textContent = date.dataset.take;
  }
};

const answers = (form, name) => {
  const fields = [...form.elements].filter((e) => e.name === name && !e.closest("[data-depends-on][hidden]"));
  const given = fields.filter((e) => (e.type === "radio" || e.type === "checkbox" ? e.checked : true));
  return given.map((e) => e.value);
};

const showQuestions = (form) => {
  for (const entry of form.querySelectorAll("[data-depends-on]")) {
    const wanted = entry.dataset.values.split("\n");
    entry.hidden = !answers(form, entry.dataset.dependsOn).some((value) => wanted.includes(value));
  }
};

// What is left of an option is counted for each date.
const showLeft = () => {
  const date = chosen()?.value;
  if (!date) return;
  for (const option of document.querySelectorAll("[data-left]")) {
    const left = option.dataset.left.split(" ").map((pair) => pair.split(":")).find(([id]) => id === date)?.[1];
    if (left === undefined) continue;
    const words = left === "0" ? "none left" : `${left} left`;
    const field = option.matches("option") ? option : option.querySelector("input");
    field.disabled = left === "0" && !(field.selected || field.checked);
    if (option.matches("option")) option.textContent = `${option.dataset.label}: ${words}`;
    else option.querySelector("[data-left-word]").textContent = words;
  }
};

// Whoever does not come is asked nothing more.
const showReply = (form) => {
  const reply = form.querySelector("input[name=reply]:checked")?.value;
  form.classList.toggle("comes-not", reply === "no");
};

const showCompanions = (form) => {
  const people = Number(form.querySelector("[data-party]")?.value ?? form.dataset.party ?? 1);
  for (const part of form.querySelectorAll("[data-companion]")) {
    part.hidden = Number(part.dataset.companion) >= people;
    part.disabled = part.hidden;
  }
};

export function start() {
  const form = document.querySelector("[data-register]");
  form.classList.add("is-alive");
  const show = () => {
    showDate();
    showLeft();
    showCompanions(form);
    showQuestions(form);
    showReply(form);
  };
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
