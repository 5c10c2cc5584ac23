import { start as startHours } from "./lane-hours.js";

// Moves a session along its lane by drag or keys. The server says at once what that would come to; nothing is changed
// before the organiser says so.
const SNAP = 15;

const pad = (number) => String(number).padStart(2, "0");

const shifted = (start, minutes) => {
  const at = new Date(`${start.length === 16 ? `${start}:00` : start}Z`);
  at.setUTCMinutes(at.getUTCMinutes() + minutes);
  return `${at.getUTCFullYear()}-${pad(at.getUTCMonth() + 1)}-${pad(at.getUTCDate())}T${pad(at.getUTCHours())}:${pad(at.getUTCMinutes())}`;
};

// Sends a form that changes nothing, and shows what the server says would come of it.
const asked = async (form, place, isLatest) => {
  const response = await fetch(form.action, { method: "POST", body: new URLSearchParams(new FormData(form)) }).catch(() => undefined);
  if (!isLatest()) return;
  if (response?.ok) {
    place.replaceChildren(...new DOMParser().parseFromString(await response.text(), "text/html").body.children);
  } else {
    place.textContent = "The server does not answer, or you are signed out. Nothing was changed.";
  }
  place.hidden = false;
};

export function start() {
  const box = document.querySelector("[data-lanes]");
  const svg = box.querySelector("svg");
  const place = document.querySelector("[data-check]");
  const form = document.querySelector("[data-check-form]");
  const minutesPerUnit = Number(box.dataset.minutes);
  let moving = null;
  let latest = 0;
  let waiting;

  const unit = () => svg.viewBox.baseVal.width / svg.getBoundingClientRect().width;

  const check = async (bar, minutes) => {
    const mine = ++latest;
    form.elements.session.value = bar.dataset.session;
    form.elements.start.value = shifted(bar.dataset.start, minutes);
    await asked(form, place, () => mine === latest);
  };

  const move = (bar, minutes) => {
    bar.dataset.moved = minutes;
    bar.setAttribute("transform", `translate(${(minutes % 1440) / minutesPerUnit} 0)`);
    bar.classList.toggle("is-moving", minutes !== 0);
    clearTimeout(waiting);
    waiting = setTimeout(() => check(bar, minutes), 120);
  };

  const leave = () => {
    for (const bar of svg.querySelectorAll(".is-moving")) {
      bar.classList.remove("is-moving");
      bar.removeAttribute("transform");
      bar.dataset.moved = 0;
    }
    clearTimeout(waiting);
    latest++;
    place.hidden = true;
  };
  startHours({ svg, place, minutesPerUnit, unit, asked });

  svg.addEventListener("pointerdown", (event) => {
    const bar = event.target.closest("[data-session]");
    if (bar && event.button === 0) {
      moving = { bar, from: event.clientX, before: Number(bar.dataset.moved ?? 0), dragged: false };
    }
  });
  window.addEventListener("pointermove", (event) => {
    if (!moving) return;
    const minutes = Math.round(((event.clientX - moving.from) * unit() * minutesPerUnit) / SNAP) * SNAP;
    if (minutes !== 0 || moving.dragged) {
      moving.dragged = true;
      move(moving.bar, moving.before + minutes);
    }
  });
  window.addEventListener("pointerup", () => {
    if (moving?.dragged) {
      const stop = (event) => event.preventDefault();
      moving.bar.addEventListener("click", stop, { once: true });
      setTimeout(() => moving?.bar.removeEventListener("click", stop), 300);
    }
    moving = null;
  });
  svg.addEventListener("dragstart", (event) => event.preventDefault());
  svg.addEventListener("keydown", (event) => {
    const bar = event.target.closest("[data-session]");
    const step = { ArrowRight: 1, ArrowLeft: -1 }[event.key];
    if (bar && step) {
      event.preventDefault();
      move(bar, Number(bar.dataset.moved ?? 0) + step * (event.shiftKey ? 1440 : SNAP));
    } else if (bar && event.key === "Enter" && Number(bar.dataset.moved ?? 0) !== 0) {
      event.preventDefault(); // a move under way is decided first
      place.querySelector("button")?.focus();
    } else if (bar && event.key === "Escape") {
      leave();
    }
  });
  place.addEventListener("click", (event) => {
    if (event.target.closest("[data-leave]")) leave();
  });
}
