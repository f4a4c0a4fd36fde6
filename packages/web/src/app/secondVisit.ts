/** Has the frame of the pages kept, so that the next visit is drawn before the network answers. */
export async function readySecondVisit(): Promise<void> {
  if (!import.meta.env.PROD || !('serviceWorker' in navigator)) return
  try {
    await navigator.serviceWorker.register('/second-visit.js')
  } catch {
    // The browser forbids it (a private window, a full disk): the next visit waits for the network, as the first one did.
    return
  }
  const worker = await navigator.serviceWorker.ready
  worker.active?.postMessage('keep')
}
