// Reads typed dates back while they are typed. The server reads them; this only asks and shows.
export function start() {
  const form = document.querySelector("[data-read-dates]");
  const field = form.querySelector("textarea");
  let latest = 0;
  let waiting;

  const read = async () => {
    const mine = ++latest;
    const body = new URLSearchParams(new FormData(form));
    const response = await fetch(form.dataset.readDates, { method: "POST", body });
    if (response.ok && mine === latest) {
      const fresh = new DOMParser().parseFromString(await response.text(), "text/html").querySelector("#readings");
      form.querySelector("#readings").replaceWith(fresh);
    }
  };

  field.addEventListener("input", () => {
    clearTimeout(waiting);
    waiting = setTimeout(read, 120);
  });
}
