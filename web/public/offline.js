/*
 * Keeps the interface for when there is no connection: pages fall back to the last one that came, files of the build are
 * kept as they are, since their names change with what is in them. What the server knows is never kept here.
 */
const KEPT = 'outfit-interface'

self.addEventListener('install', (event) => {
  event.waitUntil(
    caches
      .open(KEPT)
      .then((kept) => kept.add('/'))
      .then(() => self.skipWaiting()),
  )
})
self.addEventListener('activate', (event) => event.waitUntil(self.clients.claim()))

async function page(request) {
  const kept = await caches.open(KEPT)
  try {
    const answer = await fetch(request)
    if (answer.ok) await kept.put('/', answer.clone())
    return answer
  } catch (error) {
    const last = await kept.match('/')
    if (last) return last
    throw error
  }
}

async function file(request) {
  const kept = await caches.open(KEPT)
  const known = await kept.match(request)
  if (known) return known
  const answer = await fetch(request)
  if (answer.ok) await kept.put(request, answer.clone())
  return answer
}

self.addEventListener('fetch', (event) => {
  const { request } = event
  const { origin, pathname } = new URL(request.url)
  if (request.method !== 'GET' || origin !== self.location.origin || pathname.startsWith('/api')) return
  if (request.mode === 'navigate') event.respondWith(page(request))
  else if (pathname.startsWith('/assets/')) event.respondWith(file(request))
})

/** A page that was open before the worker says which files it has, so that they are there without a connection. */
self.addEventListener('message', (event) => {
  const { files } = event.data ?? {}
  if (!Array.isArray(files)) return
  event.waitUntil(caches.open(KEPT).then((kept) => Promise.allSettled(files.map((one) => kept.add(one)))))
})
