// Open hours, typed and drawn. The text is what counts: the server reads it, draws it, and writes it anew after each change that
// is made on the drawing, by mouse or keys.
const STEP = 15;
const SHORTEST = 15;
const DAY = 1440;
const clock = (minute) => `${String(Math.floor(minute / 60)).padStart(2, "0")}:${String(minute % 60).padStart(2, "0")}`;
const named = (band) => `${band.day.dataset.name} ${clock(band.from)}–${clock(band.until)}`;
const clamp = (least, value, most) => Math.max(least, Math.min(value, most));
const snap = (minute) => Math.round(minute / STEP) * STEP;

export function start() {
  const box = document.querySelector("[data-hours-of]");
  if (!box || box.dataset.alive) return;
  box.dataset.alive = "";
  const form = box.closest("form");
  const text = form.querySelector("textarea[name=hours]");
  const tools = box.querySelector("[data-hours-tools]");
  const said = box.querySelector("[data-hours-said]");
  const dayForm = box.querySelector("[data-hours-day]");
  const dayHours = box.querySelector("[data-day-hours]");
  const unread = box.querySelector("[data-hours-unread]");
  let latest = 0;
  let waiting;
  let chosen;
  let ahead;

  const drawing = () => box.querySelector(".week-hours");
  const scale = () => {
    const { first, last, top, hour } = drawing().dataset;
    return { first: Number(first), last: Number(last), top: Number(top), perMinute: Number(hour) / 60 };
  };
  const band = (rect) => ({
    rect, day: rect.closest("[data-day]"), from: Number(rect.dataset.from), until: Number(rect.dataset.until),
  });
  const bandsOf = (day) => [...day.querySelectorAll(".band")].map(band);

  // Asks the server what the text says, with a change of one day if there is one.
  const read = async (change) => {
    const mine = ++latest;
    const body = new URLSearchParams({ hours: text.value, _csrf: form.querySelector("[name=_csrf]").value, ...change });
    const response = await fetch(box.dataset.hoursOf, { method: "POST", body }).catch(() => undefined);
    if (mine !== latest) return;
    unread.hidden = Boolean(response && response.ok);
    if (!unread.hidden) return;
    const fresh = new DOMParser().parseFromString(await response.text(), "text/html").querySelector("[data-reading]");
    box.querySelector("[data-reading]").replaceWith(fresh);
    if (change && fresh.dataset.text !== text.value) {
      text.value = fresh.dataset.text;
      text.dispatchEvent(new Event("change", { bubbles: true }));
    }
    prepare();
  };

  const prepare = () => {
    for (const rect of drawing().querySelectorAll(".band")) {
      const it = band(rect);
      rect.setAttribute("tabindex", "0");
      rect.setAttribute("role", "button");
      rect.setAttribute("aria-label", `${named(it)}. Arrows move it, with Shift its end; Delete removes it.`);
      if (chosen && chosen.day === it.day.dataset.day && chosen.from === it.from) {
        rect.classList.add("is-chosen");
        if (chosen.focus) rect.focus({ preventScroll: true });
      }
    }
    for (const day of drawing().querySelectorAll("[data-day]")) {
      day.querySelector(".column").setAttribute("aria-hidden", "true");
    }
  };

  // Two that come to overlap are one.
  const joined = (stretches) => stretches.sort((a, b) => a.from - b.from).reduce((all, next) => {
    const last = all[all.length - 1];
    if (last && next.from < last.until) last.until = Math.max(last.until, next.until);
    else all.push({ ...next });
    return all;
  }, []);

  const keep = (day, stretches, focus) => {
    const all = joined(stretches.filter((s) => s.until - s.from >= SHORTEST));
    const wanted = all.map((s) => `${clock(s.from)}-${clock(s.until)}`).join(", ") || "closed";
    const now = focus && all.find((s) => s.from <= focus.from && focus.from < s.until);
    choose(now ? { day: day.dataset.day, name: day.dataset.name, from: now.from, until: now.until, focus: focus.keys } : undefined);
    return read({ edit: "weekday", day: day.dataset.day, wanted });
  };

  const choose = (it) => {
    chosen = it;
    tools.hidden = !it;
    if (it) said.textContent = `${it.name} ${clock(it.from)}–${clock(it.until)}`;
    drawing().querySelectorAll(".is-chosen").forEach((rect) => rect.classList.remove("is-chosen"));
  };

  const others = (it) => bandsOf(it.day).filter((other) => other.rect !== it.rect).map(({ from, until }) => ({ from, until }));

  const changed = (it, by, end) => {
    const from = end ? it.from : clamp(0, it.from + by, DAY - (it.until - it.from));
    const until = end ? clamp(it.from + SHORTEST, it.until + by, DAY) : from + it.until - it.from;
    return { from, until };
  };

  box.addEventListener("keydown", (event) => {
    const rect = event.target.closest(".band");
    if (!rect) return;
    const it = band(rect);
    const by = { ArrowDown: STEP, ArrowUp: -STEP }[event.key];
    if (by) {
      event.preventDefault();
      const to = changed(it, by, event.shiftKey);
      keep(it.day, [...others(it), to], { ...to, keys: true });
    } else if (event.key === "Delete" || event.key === "Backspace") {
      event.preventDefault();
      keep(it.day, others(it));
    }
  });

  box.addEventListener("focusin", (event) => {
    const rect = event.target.closest(".band");
    if (rect) {
      const it = band(rect);
      choose({ day: it.day.dataset.day, name: it.day.dataset.name, from: it.from, until: it.until });
      rect.classList.add("is-chosen");
    }
  });

  const minuteAt = (event) => {
    const at = new DOMPoint(event.clientX, event.clientY).matrixTransform(drawing().getScreenCTM().inverse());
    const { first, last, top, perMinute } = scale();
    return clamp(first, first + (at.y - top) / perMinute, last);
  };

  const draw = (it, to) => {
    const { first, top, perMinute } = scale();
    it.rect.setAttribute("y", top + (to.from - first) * perMinute);
    it.rect.setAttribute("height", (to.until - to.from) * perMinute);
    tools.hidden = false;
    said.textContent = `${it.day.dataset.name} ${clock(to.from)}–${clock(to.until)}`;
  };

  // What is dragged: an end near the edge of a band, else the band, else a new one on the empty day.
  const grip = (event) => {
    const day = event.target.closest(".week-hours [data-day]");
    if (!day) return undefined;
    const at = minuteAt(event);
    const rect = event.target.closest(".band");
    if (!rect) {
      const made = document.createElementNS("http://www.w3.org/2000/svg", "rect");
      const column = day.querySelector(".column");
      made.setAttribute("class", "band");
      made.setAttribute("x", Number(column.getAttribute("x")) + 4);
      made.setAttribute("width", Number(column.getAttribute("width")) - 8);
      day.append(made);
      const from = Math.floor(at / STEP) * STEP;
      return { it: { rect: made, day, from, until: from }, to: (now) => ({ from: Math.min(from, snap(now)), until: Math.max(from, snap(now)) }) };
    }
    const it = band(rect);
    const edge = Math.min(20, (it.until - it.from) / 4);
    if (at - it.from < edge) return { it, to: (now) => ({ from: clamp(0, snap(now), it.until - SHORTEST), until: it.until }) };
    if (it.until - at < edge) return { it, to: (now) => ({ from: it.from, until: clamp(it.from + SHORTEST, snap(now), DAY) }) };
    return { it, to: (now) => changed(it, snap(now - at), false) };
  };

  box.addEventListener("pointerdown", (event) => {
    const held = event.button === 0 && grip(event);
    if (!held) return;
    event.preventDefault();
    const { it } = held;
    let to = { from: it.from, until: it.until };
    const move = (at) => draw(it, to = held.to(minuteAt(at)));
    const done = () => {
      window.removeEventListener("pointermove", move);
      const same = to.from === it.from && to.until === it.until;
      if (same && it.until > it.from) it.rect.focus();
      else if (same) it.rect.remove();
      else keep(it.day, [...others(it), to], to);
    };
    window.addEventListener("pointermove", move);
    window.addEventListener("pointerup", done, { once: true });
  });

  box.addEventListener("click", (event) => {
    const pressed = event.target.closest("button");
    if (!pressed) return;
    if (pressed.matches("[data-alike]") && chosen) read({ edit: "alike", day: chosen.day });
    if (pressed.matches("[data-remove]") && chosen) {
      const day = drawing().querySelector(`[data-day="${chosen.day}"]`);
      keep(day, bandsOf(day).filter((it) => it.from !== chosen.from));
    }
    if (pressed.matches("[data-ahead]")) {
      ahead = pressed.dataset.ahead;
      dayForm.hidden = false;
      box.querySelector("[data-day-name]").textContent = pressed.querySelector("b").textContent;
      box.querySelector("[data-day-from]").textContent = `Every ${pressed.dataset.weekday} from here on`;
      dayHours.value = pressed.dataset.hours;
      dayHours.focus();
      dayHours.select();
    }
    if (pressed.matches("[data-edit]") && ahead) read({ edit: pressed.dataset.edit, day: ahead, wanted: dayHours.value });
  });
  dayHours.addEventListener("keydown", (event) => {
    if (event.key === "Enter") {
      event.preventDefault();
      read({ edit: "only", day: ahead, wanted: dayHours.value });
    }
  });
  text.addEventListener("input", () => {
    clearTimeout(waiting);
    waiting = setTimeout(() => read(), 120);
  });
  prepare();
}
