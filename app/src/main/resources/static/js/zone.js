// Shows times in the visitor's zone: remembers it in a cookie, then asks the server for the same page again and puts
// its times into this one, so that what was typed stays.
const remembered = () => document.cookie.split("; ").find((part) => part.startsWith("zone="))?.slice("zone=".length);

const replaceTimes = (fresh) => {
  for (const name of ["data-times", "data-times-choice"]) {
    const here = document.querySelector(`[${name}]`);
    const there = fresh.querySelector(`[${name}]`);
    if (here && there) {
      here.replaceWith(there);
    }
  }
};

export async function start() {
  // The page may have been asked for just before the one left behind remembered the zone.
  const zone = decodeURIComponent(remembered() ?? "") || Intl.DateTimeFormat().resolvedOptions().timeZone;
  const shown = document.querySelector("[data-zone]").dataset.zone;
  if (!zone || zone === shown || !zone.includes("/")) {
    return;
  }
  document.cookie = `zone=${encodeURIComponent(zone)}; path=/; max-age=31536000; samesite=lax`;
  const field = document.querySelector("[data-zone-field]");
  if (field) {
    field.value = zone;
  }
  const chosen = document.querySelector("input[name=session]:checked")?.value;
  const response = await fetch(location.pathname, { headers: { Accept: "text/html" } });
  if (!response.ok) {
    return;
  }
  replaceTimes(new DOMParser().parseFromString(await response.text(), "text/html"));
  const again = document.querySelector(`input[name=session][value="${chosen}"]`);
  if (again) {
    again.checked = true;
  }
  document.dispatchEvent(new Event("times-replaced"));
}
