// Keeps the empty page of the entrance and what it is made of, for when there is no network. Nobody's name is kept here.
const KEPT = "check-in-1";
const PAGE = /^\/desk\/check-in\/\d+(\/entrance)?$/;

self.addEventListener("install", () => self.skipWaiting());
self.addEventListener("activate", (event) => event.waitUntil(self.clients.claim()));

self.addEventListener("message", (event) => {
  event.waitUntil(caches.open(KEPT).then((kept) => Promise.all(event.data.map(async (address) => {
    const answer = await fetch(address);
    if (answer.ok && !answer.redirected) await kept.put(address, answer);
  }))));
});

async function fresh(request, keptAs) {
  try {
    return await fetch(request);
  } catch (gone) {
    const kept = await caches.match(keptAs, { ignoreVary: true });
    if (kept) return kept;
    throw gone;
  }
}

self.addEventListener("fetch", (event) => {
  const { request } = event;
  const address = new URL(request.url);
  if (request.method !== "GET" || address.origin !== location.origin) return;
  if (request.mode === "navigate" && PAGE.test(address.pathname)) {
    const shell = address.pathname.endsWith("/entrance") ? address.pathname : `${address.pathname}/shell`;
    event.respondWith(fresh(request, shell));
  } else if (["script", "style", "font", "image"].includes(request.destination)) {
    event.respondWith(fresh(request, request));
  }
});
