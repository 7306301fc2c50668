/* The page opens without a network: its scripts lie in this machine's cache. What is on record never does. */
const VERSION = "__VERSION__";
const FILES = __FILES__;
const CACHE = `ritorno-${VERSION}`;

self.addEventListener("install", (event) => {
  // It waits until the page that is open lets it take over.
  event.waitUntil(caches.open(CACHE).then((cache) => cache.addAll(FILES)));
});

self.addEventListener("message", (event) => {
  if (event.data === "take over") void self.skipWaiting();
});

self.addEventListener("activate", (event) => {
  const old = (name) => name.startsWith("ritorno-") && name !== CACHE;
  event.waitUntil(
    caches
      .keys()
      .then((names) =>
        Promise.all(names.filter(old).map((name) => caches.delete(name))),
      ),
  );
});

/** The page that belongs to the scripts of this version, wherever inside the application it was asked for. */
async function page(request) {
  const cache = await caches.open(CACHE);
  return (await cache.match("/")) ?? fetch(request);
}

async function kept(request) {
  const cache = await caches.open(CACHE);
  return (await cache.match(request)) ?? fetch(request);
}

self.addEventListener("fetch", (event) => {
  const { request } = event;
  const { origin, pathname } = new URL(request.url);
  if (request.method !== "GET" || origin !== self.location.origin) return;
  // The patient's page is another one.
  if (pathname === "/h") return;
  if (pathname.startsWith("/api/") || pathname === "/worker.js") return;
  if (request.mode === "navigate") event.respondWith(page(request));
  else if (FILES.includes(pathname)) event.respondWith(kept(request));
});
