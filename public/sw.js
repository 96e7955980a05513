/*
 * Keeps pages that were open here, and the files they need, so that a reload works while the server is gone. The server
 * always comes first: a kept page is shown only when it does not answer. Plain JavaScript, since a service worker is
 * served as it stands and from the root; small enough for that.
 *
 * Each build of the application has its own: what an older one kept is thrown away, so that no old script meets a new page.
 */
const build = new URL(self.location.href).searchParams.get('build') ?? '';
const pagesName = `plucky-pages-${build}`;
const filesName = `plucky-files-${build}`;
const mostPages = 40;
const mostFiles = 600;
const keptAt = 'x-kept-at';

self.addEventListener('install', () => self.skipWaiting());

self.addEventListener('activate', (event) =>
  event.waitUntil(
    (async () => {
      for (const name of await caches.keys())
        if (name.startsWith('plucky-') && name !== pagesName && name !== filesName) await caches.delete(name);
      await self.clients.claim();
    })(),
  ),
);

self.addEventListener('fetch', (event) => {
  const { request } = event;
  const url = new URL(request.url);
  if (request.method !== 'GET' || url.origin !== self.location.origin) return;
  // Their names change with what is in them.
  if (url.pathname.startsWith('/_next/static/')) event.respondWith(file(request));
  else if (request.mode === 'navigate' && !/^\/(api|sign-)/.test(url.pathname)) event.respondWith(page(request));
});

/** A page says that it is worked on: it is kept as it is now, with its files. */
self.addEventListener('message', (event) => {
  const { keep, files } = event.data ?? {};
  if (typeof keep === 'string' && keep.startsWith('/')) event.waitUntil(keepAll(keep, files ?? []));
});

async function keepAll(path, files) {
  const response = await fetch(path, { headers: { accept: 'text/html' } }).catch(() => undefined);
  if (response) await keepPage(new URL(path, self.location.origin).href, response);
  for (const name of files) {
    const url = new URL(name, self.location.origin);
    if (url.origin === self.location.origin && url.pathname.startsWith('/_next/static/'))
      await file(new Request(url)).catch(() => undefined);
  }
}

async function page(request) {
  const response = await fetch(request).catch(() => undefined);
  if (response && response.status < 500) {
    await keepPage(request.url, response.clone());
    return response;
  }
  return (await keptPage(request.url)) ?? response ?? apology();
}

async function keepPage(url, response) {
  if (!response.ok || response.redirected || response.type === 'opaqueredirect') return;
  const headers = plainHeaders(response);
  headers.set(keptAt, new Date().toISOString());
  const cache = await caches.open(pagesName);
  // Put anew, so that the oldest are those that were opened longest ago.
  await cache.delete(url);
  await cache.put(url, new Response(await response.blob(), { headers }));
  await trim(cache, mostPages);
}

async function keptPage(url) {
  const kept = await (await caches.open(pagesName)).match(url);
  if (!kept) return undefined;
  const headers = new Headers(kept.headers);
  // The one header of its own answer that a page can read.
  headers.set('server-timing', `kept;desc="${headers.get(keptAt)}"`);
  return new Response(kept.body, { headers });
}

async function file(request) {
  const cache = await caches.open(filesName);
  const kept = await cache.match(request);
  if (kept) return asAsked(request, kept);
  const response = await fetch(request);
  if (response.ok) {
    await cache.put(request, response.clone());
    await trim(cache, mostFiles);
  }
  return asAsked(request, response);
}

/*
 * Workers share one script and read behind the # of their address what to do. An answer brings the address along by which
 * it was first fetched, and a worker believes that one: one that is made here has none, so the worker keeps its own.
 */
function asAsked({ destination }, response) {
  if (!destination.endsWith('worker') || !response.ok) return response;
  return new Response(response.body, { status: response.status, headers: plainHeaders(response) });
}

/** Headers of a body that is not packed any more. */
function plainHeaders(response) {
  const headers = new Headers(response.headers);
  for (const name of ['content-encoding', 'content-length']) headers.delete(name);
  return headers;
}

async function trim(cache, most) {
  const all = await cache.keys();
  for (const old of all.slice(0, Math.max(0, all.length - most))) await cache.delete(old);
}

function apology() {
  const text = `<!doctype html><html lang="en"><meta charset="utf-8"><title>No answer · Plucky Parcel</title>
<body style="font: 18px/1.5 sans-serif; margin: 12vh auto; max-width: 34em; padding: 0 20px">
<h1 style="font-size: 26px">The server does not answer</h1>
<p>This page was not open here before, so there is nothing to show. What you entered is kept in this browser and is sent
as soon as the server answers.</p><p><a href="">Try again</a></p></body></html>`;
  return new Response(text, { status: 503, headers: { 'content-type': 'text/html; charset=utf-8' } });
}
