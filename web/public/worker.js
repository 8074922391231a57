// Keeps what was last read, so that it can be read without a connection. What is written always goes to the server.
const KEPT = 'navlo-kept-1';
const READABLE =
  /^\/api\/(session$|news\/\d+$|students\/\d+\/(board|next|timeline|terms|hours|feedback|works\/\d+)$)/;
const SHELL = /^\/(assets\/|theme\.js$|mark\.svg$|icon-\d+\.png$|manifest\.webmanifest$)/;

self.addEventListener('install', () => self.skipWaiting());
self.addEventListener('activate', (event) => event.waitUntil(self.clients.claim()));

/** The answer with the instant at which it was read. */
async function keep(request, answer) {
  if (!answer.ok) return answer;
  const headers = new Headers(answer.headers);
  headers.set('X-Navlo-Read-At', new Date().toISOString());
  const copy = new Response(await answer.clone().blob(), { status: answer.status, headers });
  const cache = await caches.open(KEPT);
  await cache.put(request, copy);
  return answer;
}

async function kept(key) {
  const cache = await caches.open(KEPT);
  const found = await cache.match(key);
  if (!found) return undefined;
  const headers = new Headers(found.headers);
  headers.set('X-Navlo-Offline', headers.get('X-Navlo-Read-At') ?? '');
  return new Response(await found.blob(), { status: found.status, headers });
}

async function networkFirst(request, key) {
  try {
    const answer = await fetch(request);
    return await keep(key, answer);
  } catch (error) {
    const last = await kept(key);
    if (last) return last;
    throw error;
  }
}

async function keptFirst(request) {
  const cache = await caches.open(KEPT);
  return (await cache.match(request)) ?? keep(request, await fetch(request));
}

self.addEventListener('fetch', (event) => {
  const { request } = event;
  const url = new URL(request.url);
  if (request.method !== 'GET' || url.origin !== self.location.origin) return;
  if (SHELL.test(url.pathname)) event.respondWith(keptFirst(request));
  else if (request.mode === 'navigate' && !url.pathname.startsWith('/api/'))
    event.respondWith(networkFirst(request, '/'));
  else if (READABLE.test(url.pathname)) event.respondWith(networkFirst(request, request.url));
});

// Nothing of a person stays when they sign out.
self.addEventListener('message', (event) => {
  if (event.data === 'forget') event.waitUntil(caches.delete(KEPT));
});
