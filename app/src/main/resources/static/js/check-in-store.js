// What a device keeps of a session: encrypted with a key that cannot be read out, and deleted once the session is over.
const NAME = "check-in";

function request(asked) {
  return new Promise((resolve, reject) => {
    asked.onsuccess = () => resolve(asked.result);
    asked.onerror = () => reject(asked.error);
  });
}

function open() {
  const asked = indexedDB.open(NAME, 1);
  asked.onupgradeneeded = () => asked.result.createObjectStore("kept");
  return request(asked);
}

export async function openStore(at) {
  const base = await open();
  const table = (mode) => base.transaction("kept", mode).objectStore("kept");
  let ahead = 0;
  await forget();

  async function forget() {
    for (const name of await request(table("readonly").getAllKeys())) {
      const entry = await request(table("readonly").get(name));
      if (entry.until && entry.until < Date.now()) await request(table("readwrite").delete(name));
    }
  }

  async function entry() {
    const known = await request(table("readonly").get(at));
    if (known) return known;
    const key = await crypto.subtle.generateKey({ name: "AES-GCM", length: 256 }, false, ["encrypt", "decrypt"]);
    return { key, until: Date.now() + 24 * 3600_000 };
  }

  let own = await entry();
  return {
    // The server's time, as far as it is known, so that ticks of a device with a wrong clock are in their place.
    now: () => Date.now() + ahead,
    closes(instant, now) {
      ahead = new Date(now).getTime() - Date.now();
      own.until = new Date(instant).getTime() - ahead;
      own.ahead = ahead;
    },
    async keep(what) {
      if (own.until < Date.now()) return;
      const iv = crypto.getRandomValues(new Uint8Array(12));
      const text = new TextEncoder().encode(JSON.stringify(what));
      const sealed = await crypto.subtle.encrypt({ name: "AES-GCM", iv }, own.key, text);
      own = { ...own, iv, sealed };
      await request(table("readwrite").put(own, at));
    },
    async kept() {
      ahead = own.ahead ?? 0;
      if (!own.sealed) return null;
      try {
        const text = await crypto.subtle.decrypt({ name: "AES-GCM", iv: own.iv }, own.key, own.sealed);
        return JSON.parse(new TextDecoder().decode(text));
      } catch {
        return null;
      }
    },
  };
}
