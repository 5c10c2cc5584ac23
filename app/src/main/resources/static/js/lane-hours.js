// Open hours on the host schedule: a stretch is dragged whole or by an end, or moved with keys. The server says what that would come to;
// nothing is changed before the organiser says so.
const SNAP = 15;
const DAY = 1440;
const EDGE = 7;

export function start({ svg, place, minutesPerUnit, unit, asked }) {
  const form = document.querySelector("[data-hours-form]");
  let held = null;
  let latest = 0;
  let waiting;

  const kept = (band) => ({ from: Number(band.dataset.from), until: Number(band.dataset.until) });
  const wanted = (band) => ({
    from: Number(band.dataset.toFrom ?? band.dataset.from), until: Number(band.dataset.toUntil ?? band.dataset.until),
  });

  const check = (band) => {
    const mine = ++latest;
    const to = wanted(band);
    const fields = { offering: band.dataset.offering, day: band.dataset.day, ...kept(band), toFrom: to.from, toUntil: to.until };
    for (const [name, value] of Object.entries(fields)) form.elements[name].value = value;
    return asked(form, place, () => mine === latest);
  };

  const restore = (band) => {
    band.classList.remove("is-moving", "is-closed");
    delete band.dataset.toFrom;
    delete band.dataset.toUntil;
    const rect = band.querySelector("rect");
    if (band.dataset.x) {
      rect.setAttribute("x", band.dataset.x);
      rect.setAttribute("width", band.dataset.width);
    }
  };

  const leave = (but) => {
    clearTimeout(waiting);
    latest++;
    svg.querySelectorAll(".open-hours.is-moving").forEach((band) => band !== but && restore(band));
  };

  const show = (band, to) => {
    const rect = band.querySelector("rect");
    const was = kept(band);
    leave(band);
    band.dataset.x ??= rect.getAttribute("x");
    band.dataset.width ??= rect.getAttribute("width");
    if (to.from === was.from && to.until === was.until) {
      restore(band);
      place.hidden = true;
      return;
    }
    const isClosed = to.until <= to.from;
    band.dataset.toFrom = to.from;
    band.dataset.toUntil = to.until;
    band.classList.add("is-moving");
    band.classList.toggle("is-closed", isClosed);
    rect.setAttribute("x", Number(band.dataset.x) + (isClosed ? 0 : (to.from - was.from) / minutesPerUnit));
    rect.setAttribute("width", isClosed ? band.dataset.width : (to.until - to.from) / minutesPerUnit);
    waiting = setTimeout(() => check(band), 120);
  };

  const moved = (at, by) => {
    const from = Math.max(0, Math.min(DAY - (at.until - at.from), at.from + by));
    return { from, until: from + at.until - at.from };
  };
  const ended = (at, by) => ({ from: at.from, until: Math.max(at.from + SNAP, Math.min(DAY, at.until + by)) });
  const begun = (at, by) => ({ from: Math.min(at.until - SNAP, Math.max(0, at.from + by)), until: at.until });

  svg.addEventListener("pointerdown", (event) => {
    const band = event.target.closest("a.open-hours");
    if (!band || event.button !== 0) return;
    const box = band.getBoundingClientRect();
    const edge = Math.min(EDGE, box.width / 4);
    const change = event.clientX - box.left < edge ? begun : box.right - event.clientX < edge ? ended : moved;
    held = { band, change, from: event.clientX, before: wanted(band), dragged: false };
  });
  window.addEventListener("pointermove", (event) => {
    if (!held) return;
    const by = Math.round(((event.clientX - held.from) * unit() * minutesPerUnit) / SNAP) * SNAP;
    if (by !== 0 || held.dragged) {
      held.dragged = true;
      show(held.band, held.change(held.before, by));
    }
  });
  window.addEventListener("pointerup", () => {
    if (held?.dragged) {
      const stop = (event) => event.preventDefault();
      const { band } = held;
      band.addEventListener("click", stop, { once: true });
      setTimeout(() => band.removeEventListener("click", stop), 300);
    }
    held = null;
  });
  svg.addEventListener("keydown", (event) => {
    const band = event.target.closest("a.open-hours");
    if (!band) return;
    const by = { ArrowRight: SNAP, ArrowLeft: -SNAP }[event.key];
    if (by) {
      event.preventDefault();
      show(band, event.shiftKey ? ended(wanted(band), by) : moved(wanted(band), by));
    } else if (event.key === "Delete" || event.key === "Backspace") {
      event.preventDefault();
      show(band, { from: kept(band).from, until: kept(band).from });
    } else if (event.key === "Enter" && band.classList.contains("is-moving")) {
      event.preventDefault();
      place.querySelector("button")?.focus();
    } else if (event.key === "Escape") {
      leave();
      place.hidden = true;
    }
  });
  place.addEventListener("click", (event) => {
    if (event.target.closest("[data-leave]")) leave();
  });
}
