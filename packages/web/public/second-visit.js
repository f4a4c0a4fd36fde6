// Draws the frame of a page from what this browser kept, where the network does not answer at once. What stands in the frame is no one's own.
const KEPT = 'jackdaw-frame'
const FRAME = '/index.html'
const PATIENCE_MS = 250
const GUIDE = /^\/guides\/([\w-]{21})$/
const FRAMED = /^\/($|library$|guides\/[\w-]{21}$)/

const scriptOf = (html) => /src="(\/assets\/index-[\w-]+\.js)"/.exec(html)?.[1]
const keepFrame = async () => (await caches.open(KEPT)).add(new Request(FRAME, { cache: 'no-cache' }))

self.addEventListener('install', () => self.skipWaiting())
self.addEventListener('activate', (event) => event.waitUntil(self.clients.claim()))
/** The pages may have been built anew since the frame was kept: then it is kept anew, and the page that began with it begins again. */
async function checkFrame(answer, kept, clientId) {
  if (!answer.ok || !(answer.headers.get('content-type') ?? '').includes('text/html')) return
  const [now, before] = [scriptOf(await answer.text()), scriptOf(await kept.text())]
  if (!now || now === before) return
  await keepFrame()
  const page = await self.clients.get(clientId)
  await page?.navigate(page.url)
}

/** What a kept page is about to ask for: asked for at once, while its scripts are still to be run. */
const asked = new Map()
const ASKED_MS = 10_000
function askAhead({ request, resultingClientId }) {
  const guide = GUIDE.exec(new URL(request.url).pathname)?.[1]
  if (!guide) return
  const address = `/api/guides/${guide}/reader`
  const key = `${resultingClientId} ${address}`
  asked.set(key, fetch(address))
  asked.get(key).catch(() => undefined)
  setTimeout(() => asked.delete(key), ASKED_MS)
}
function answerAhead({ request, clientId }) {
  const key = `${clientId} ${new URL(request.url).pathname}`
  const answer = asked.get(key)
  asked.delete(key)
  return answer
}

self.addEventListener('message', ({ data }) => {
  if (data === 'keep') keepFrame().catch(() => undefined)
  if (data === 'forget') asked.clear()
})

async function pageOf(event) {
  const kept = await caches.match(FRAME, { cacheName: KEPT })
  if (!kept) return fetch(event.request)
  const answer = fetch(event.request)
  const late = new Promise((resolve) => setTimeout(resolve, PATIENCE_MS, null))
  const first = await Promise.race([answer, late]).catch(() => null)
  if (first) return first
  askAhead(event)
  event.waitUntil(answer.then((fresh) => checkFrame(fresh, kept.clone(), event.resultingClientId)).catch(() => undefined))
  return kept.clone()
}

self.addEventListener('fetch', (event) => {
  const { mode, method, url } = event.request
  if (method !== 'GET') return
  if (mode === 'navigate') {
    if (FRAMED.test(new URL(url).pathname)) event.respondWith(pageOf(event))
    return
  }
  const ahead = asked.size > 0 && answerAhead(event)
  if (ahead) event.respondWith(ahead.catch(() => fetch(event.request)))
})
