/* The patient's page opens without a network: its scripts lie on the telephone, and the drawings it has shown. */
const VERSION = "__VERSION__";
const FILES = __FILES__;
const CACHE = `home-${VERSION}`;
/** Drawings of one patient: the page throws them away when it shuts. */
const DRAWINGS = "home-drawings";

self.addEventListener("install", (event) => {
  event.waitUntil(
    caches
      .open(CACHE)
      .then((cache) => cache.addAll(FILES))
      .then(() => self.skipWaiting()),
  );
});

self.addEventListener("activate", (event) => {
  const old = (name) =>
    name.startsWith("home-") && name !== CACHE && name !== DRAWINGS;
  event.waitUntil(
    caches
      .keys()
      .then((names) =>
        Promise.all(names.filter(old).map((name) => caches.delete(name))),
      )
      .then(() => self.clients.claim()),
  );
});

async function kept(request) {
  const cache = await caches.open(CACHE);
  return (await cache.match(request)) ?? fetch(request);
}

/** As the server draws it today; without a network as it was drawn last. */
async function drawing(request) {
  const cache = await caches.open(DRAWINGS);
  try {
    const answer = await fetch(request);
    if (answer.ok) await cache.put(request, answer.clone());
    return answer;
  } catch (error) {
    const last = await cache.match(request);
    if (last) return last;
    throw error;
  }
}

self.addEventListener("fetch", (event) => {
  const { request } = event;
  const { origin, pathname } = new URL(request.url);
  if (request.method !== "GET" || origin !== self.location.origin) return;
  if (pathname.startsWith("/api/home/figures/"))
    event.respondWith(drawing(request));
  else if (FILES.includes(pathname)) event.respondWith(kept(pathname));
});
