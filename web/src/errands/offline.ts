/**
 * Where the browser allows it (this machine, or an encrypted line) a service worker keeps the interface, so that a list opens
 * without a connection. Elsewhere the page has to stay open, and the file is the way.
 */
export function keepInterface(): boolean {
  if (!('serviceWorker' in navigator) || !window.isSecureContext) return false
  const files = performance.getEntriesByType('resource').flatMap(({ name }) => {
    const { origin, pathname } = new URL(name)
    return origin === window.location.origin && pathname.startsWith('/assets/') ? [pathname] : []
  })
  void navigator.serviceWorker
    .register('/offline.js')
    .then(() => navigator.serviceWorker.ready)
    // What this page has loaded already came before there was anybody to keep it.
    .then(({ active }) => active?.postMessage({ files }))
    .catch(() => undefined)
  return true
}
