// Lets a ledger be sorted by a click or Enter on its heading. Numbers sort as numbers.
const text = (row, column) => row.cells[column].textContent.trim();

const compare = (a, b) => {
  const [x, y] = [Number.parseFloat(a), Number.parseFloat(b)];
  return Number.isNaN(x) || Number.isNaN(y) ? a.localeCompare(b, "en") : x - y;
};

export function start() {
  for (const table of document.querySelectorAll("[data-sortable]")) {
    const headings = [...table.tHead.rows[0].cells];
    headings.forEach((heading, column) => {
      if (heading.querySelector(".visually-hidden")) return;
      heading.tabIndex = 0;
      const sort = () => {
        const up = heading.getAttribute("aria-sort") !== "ascending";
        headings.forEach((other) => other.removeAttribute("aria-sort"));
        heading.setAttribute("aria-sort", up ? "ascending" : "descending");
        const body = table.tBodies[0];
        const rows = [...body.rows].sort((a, b) => compare(text(a, column), text(b, column)) * (up ? 1 : -1));
        body.append(...rows);
      };
      heading.addEventListener("click", sort);
      heading.addEventListener("keydown", (event) => {
        if (event.key === "Enter" || event.key === " ") {
          event.preventDefault();
          sort();
        }
      });
    });
  }
}
