/**
 * Keeps the page of a bench and all that it loads on the tablet, so that it opens, reloads and restarts without the network. The page is asked for first and the kept one shown where the
 * server does not answer; scripts, styles and fonts have their content in their names, so that the kept ones are right. Everything else, the log above all, is never kept here.
 */
const kept = 'mozle-bench'
/** A wireless that hangs is no network, ms. */
const patienceMs = 4000

self.addEventListener('install', () => self.skipWaiting())
self.addEventListener('activate', (event) => event.waitUntil(self.clients.claim()))

const isPage = (url) => url.pathname === '/bench'
const isPart = (url) => url.pathname.startsWith('/_next/static/')

self.addEventListener('fetch', (event) => {
  const { request } = event
  const url = new URL(request.url)
  if (request.method !== 'GET' || url.origin !== self.location.origin) return
  if (request.mode === 'navigate' && isPage(url)) event.respondWith(page(request))
  else if (isPart(url)) event.respondWith(part(request))
})

async function page(request) {
  const cache = await caches.open(kept)
  const late = new Promise((resolve) => setTimeout(resolve, patienceMs))
  const asked = fetch(request).then(async (answer) => {
    if (answer.ok) await cache.put('/bench', answer.clone())
    return answer
  })
  asked.catch(() => undefined)
  try {
    const answer = await Promise.race([asked, late])
    if (answer && answer.status < 500) return answer
  } catch {
    // What is kept is shown.
  }
  return (await cache.match('/bench')) ?? asked
}

async function part(request) {
  const cache = await caches.open(kept)
  const known = await cache.match(request.url)
  if (known) return known
  const answer = await fetch(request)
  if (answer.ok) await cache.put(request.url, answer.clone())
  return answer
}

/** The page says what it is made of: that is kept, and what belonged to an older one goes. On leaving, the page itself goes. */
self.addEventListener('message', (event) => {
  const { keep, forget } = event.data ?? {}
  if (forget) event.waitUntil(caches.delete(kept).then(() => event.ports[0]?.postMessage({ gone: true })))
  if (keep) event.waitUntil(keepParts(keep).then((all) => event.ports[0]?.postMessage({ all })))
})

async function keepParts(urls) {
  const cache = await caches.open(kept)
  const parts = urls.filter((url) => isPart(new URL(url)))
  try {
    await Promise.all(parts.map(async (url) => (await cache.match(url)) ?? cache.add(url)))
    if (!(await cache.match('/bench'))) await cache.add('/bench')
  } catch {
    return false
  }
  const wanted = new Set(parts)
  for (const { url } of await cache.keys()) if (isPart(new URL(url)) && !wanted.has(url)) await cache.delete(url)
  return true
}
