// Each module is loaded only on pages that ask for it by a data- attribute. Public pages work without any of them.
const modules = [
  ["[data-zone]", "./zone.js"],
  ["[data-register]", "./register.js"],
  ["[data-tide]", "./tide.js"],
  ["[data-held]", "./held.js"],
  ["[data-deadline]", "./deadline.js"],
  ["[data-door]", "./door.js"],
  ["[data-guest-door]", "./guest-door.js"],
  ["[data-door-desk]", "./door-desk.js"],
  ["[data-follow]", "./follow.js"],
  ["[data-sound]", "./chime.js"],
  ["[data-live]", "./live.js"],
  ["[data-check-in]", "./check-in.js"],
  ["[data-room=inside]", "./room.js"],
  ["[data-read-dates]", "./typed-dates.js"],
  ["[data-unsaved]", "./unsaved.js"],
  ["[data-confirm], [data-door-desk]", "./confirm.js"],
  ["[data-sortable]", "./sortable.js"],
  ["[data-tideline]", "./desk.js"],
  ["[data-keys]", "./keys.js"],
  ["[data-guess-zone]", "./guess-zone.js"],
  ["[data-day-picker]", "./day-picker.js"],
  ["[data-hours-of]", "./hours.js"],
  ["[data-copy]", "./copy.js"],
  ["[data-lanes]", "./lanes.js"],
  ["[data-reach]", "./reach.js"],
  ["[data-venue-kind]", "./venue-kind.js"],
  ["[data-clear-file]", "./clear-file.js"],
  ["[data-together]", "./together.js"],
  ["[data-embedded]", "./embedded.js"],
  ["[data-again]", "./again.js"],
  ["[data-chosen]", "./chosen.js"],
  ["[data-questions]", "./questions.js"],
  ["[data-parts]", "./parts.js"],
  ["[data-plan-line]", "./plan.js"],
  ["[data-wording]", "./wording.js"],
  ["[data-score]", "./score.js"],
];

// Modules of what a page puts in later; they bind to what is inside.
const inside = ["./typed-dates.js", "./day-picker.js", "./hours.js", "./questions.js", "./clear-file.js", "./confirm.js"];

export function refresh(box) {
  for (const [selector, path] of modules) {
    if (inside.includes(path) && box.querySelector(selector)) {
      import(path).then((module) => module.start());
    }
  }
}

const asked = modules.filter(([selector]) => document.querySelector(selector));
Promise.all(asked.map(([, path]) => import(path).then((module) => module.start()))).then(() => {
  document.documentElement.dataset.ready = "";
});
