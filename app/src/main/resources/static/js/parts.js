// The sections of a sheet open in place, one at a time, and are saved without leaving the page. A section with unsaved
// changes stays open as it is, whatever else is pressed. Without this module every link and button here is a page.
import { refresh } from "./main.js";

const changed = new WeakSet();
const box = () => document.querySelector("[data-parts]");
const parts = () => [...box().querySelectorAll("[data-part]")];
const isOpen = (part) => part.classList.contains("is-open");
const isChanged = (part) => [...part.querySelectorAll("form")].some((form) => changed.has(form));

const read = async (response) => new DOMParser().parseFromString(await response.text(), "text/html");

// Puts what the server says in the place of what is there; what somebody is typing is left alone.
const take = (fresh, only) => {
  const kept = parts().filter((part) => part.id !== only && isChanged(part));
  const next = [...fresh.querySelectorAll("[data-part]")].map((part) => kept.find((typed) => typed.id === part.id) ?? part);
  box().replaceChildren(...kept.filter((typed) => !next.includes(typed)), ...next);
  document.querySelector("[data-sheet-head]").replaceWith(fresh.querySelector("[data-sheet-head]"));
  // What the server wrote into a box to be looked at is not saved either.
  box().querySelectorAll("[data-read-dates]").forEach((form) => form.querySelector("textarea").value && changed.add(form));
  say(fresh);
  refresh(box());
};

const say = (fresh) => {
  const main = document.querySelector("main");
  main.querySelectorAll(":scope > .said, :scope > .warned").forEach((old) => old.remove());
  fresh.querySelectorAll("main > .said, main > .warned").forEach((word) => main.prepend(word));
};

const show = async (address, options, id) => {
  const response = await fetch(address, { credentials: "same-origin", ...options });
  const fresh = await read(response);
  // Signed out meanwhile, or refused: what is typed stays where it is.
  if (!fresh.querySelector("[data-parts]")) throw new Error(`No sheet came: ${response.status}`);
  take(fresh, id);
  const part = document.getElementById(id);
  const field = part.querySelector(".field-problem")?.parentElement.querySelector("input, select, textarea")
    ?? part.querySelector(".part-form input:not([type=hidden]), .part-form select, .part-form textarea");
  (isOpen(part) && field ? field : part).focus();
  part.scrollIntoView({ block: "nearest" });
};

const unanswered = () => {
  const word = document.createElement("p");
  word.className = "warned";
  word.setAttribute("role", "alert");
  word.textContent = "That did not work: the server did not answer, or you are signed out. What you typed is still here; try again.";
  const main = document.querySelector("main");
  main.querySelectorAll(":scope > .said, :scope > .warned").forEach((old) => old.remove());
  main.prepend(word);
  word.scrollIntoView({ block: "nearest" });
};

const open = (part) => show(part.querySelector("[data-open]").href, {}, part.id).catch(unanswered);

const close = (part) => {
  part.querySelectorAll("form").forEach((form) => changed.delete(form));
  return show(part.querySelector("[data-close]").href, {}, part.id).catch(unanswered);
};

const onClick = (event) => {
  const part = event.target.closest("[data-part]");
  if (!part || event.ctrlKey || event.metaKey || event.shiftKey) return;
  if (event.target.closest("[data-close]")) {
    event.preventDefault();
    close(part);
  } else if (event.target.closest("[data-open]") || !isOpen(part) && event.target.closest(".reads")) {
    if (window.getSelection().toString() === "" || event.target.closest("[data-open]")) {
      event.preventDefault();
      open(part);
    }
  }
};

const onKey = (event) => {
  const part = event.target.closest("[data-part]");
  if (event.key !== "Escape" || !part || !isOpen(part)) return;
  if (isChanged(part)) {
    part.querySelector("[data-unsaved-word]").hidden = false;
    part.querySelector(".part-acts button").focus();
  } else {
    close(part);
  }
};

const onSubmit = (event) => {
  const form = event.target;
  const part = form.closest("[data-part]");
  if (!part || event.defaultPrevented) return;
  event.preventDefault();
  const data = new FormData(form, event.submitter);
  if (form.dataset.with) data.set("typed", document.querySelector(form.dataset.with).value);
  const body = form.enctype === "multipart/form-data" ? data : new URLSearchParams(data);
  // What another form of this section holds is kept: it is put back into what comes.
  const others = [...part.querySelectorAll("form")]
    .filter((other) => other !== form && changed.has(other) && !(form.dataset.with && other.querySelector(form.dataset.with)));
  const typed = others.map((other) => [other.action, new FormData(other)]);
  changed.delete(form);
  part.inert = true;
  show(form.action, { method: "POST", body }, part.id)
    .then(async () => {
      if (typed.length === 0) return;
      const saved = document.getElementById(part.id);
      if (!isOpen(saved)) await open(saved);
      typed.forEach(putBack);
    })
    .catch(() => {
      part.inert = false;
      changed.add(form);
      unanswered();
    });
};

const putBack = ([action, data]) => {
  const form = [...box().querySelectorAll("form")].find((f) => f.action === action);
  for (const [name, value] of data) {
    const field = form?.elements.namedItem(name);
    if (field instanceof HTMLInputElement && field.type === "text" || field instanceof HTMLTextAreaElement) field.value = value;
  }
  if (form) changed.add(form);
};

export function start() {
  document.addEventListener("click", (event) => box().contains(event.target) && onClick(event));
  document.addEventListener("keydown", onKey);
  document.addEventListener("submit", onSubmit);
  box().addEventListener("input", (event) => {
    const form = event.target.form;
    if (!form) return;
    changed.add(form);
    const word = form.querySelector("[data-unsaved-word]");
    if (word) word.hidden = false;
  });
  window.addEventListener("beforeunload", (event) => {
    if (parts().some(isChanged)) event.preventDefault();
  });
}
