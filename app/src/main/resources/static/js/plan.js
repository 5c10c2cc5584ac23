// A press on the run line of a plan writes when that would be into the field beside it, in round numbers.
const START = 640;
const END = 766;
const BEND = 20;
const FARTHEST = 21 * 24 * 60;
const MINUTE = { minutes: 1, hours: 60, days: 1440, weeks: 10080 };
const ROUND = [
  ...[5, 10, 15, 20, 30, 45].map((n) => [n, "minutes"]),
  ...[1, 2, 3, 4, 6, 8, 12, 18].map((n) => [n, "hours"]),
  ...[1, 2, 3, 4, 5].map((n) => [n, "days"]),
  ...[1, 2, 3].map((n) => [n, "weeks"]),
];

// The other way round of how the line is drawn: the time before the start on a logarithmic scale.
const minutesAt = (x) => BEND * Math.expm1((1 - x / START) * Math.log1p(FARTHEST / BEND));

const nearest = (minutes) => {
  const far = ([n, unit]) => Math.abs(Math.log((n * MINUTE[unit] + BEND) / (minutes + BEND)));
  return ROUND.reduce((best, some) => (far(some) < far(best) ? some : best));
};

const before = (x) => {
  const [n, unit] = nearest(minutesAt(x));
  return `${n} ${n === 1 ? unit.slice(0, -1) : unit} before`;
};

export function start() {
  const box = document.querySelector("[data-plan-line]");
  const drawing = box.querySelector("svg");
  const field = document.querySelector(".plan-add [name=when]");
  document.querySelector("[data-plan-hint]").hidden = false;
  drawing.addEventListener("click", (event) => {
    if (event.target.closest("a")) return;
    const { left, width } = drawing.getBoundingClientRect();
    const x = (event.clientX - left) / width * drawing.viewBox.baseVal.width;
    field.value = x > END ? "1 day after, to those who attended" : x > START ? "5 min after the start, to those not in" : before(x);
    field.focus();
  });
}
