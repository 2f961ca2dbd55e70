'use client'

/** A worker that does not answer holds nobody at the bench for longer, ms. */
const patienceMs = 2_000

/** The page of a bench that is left is no longer kept on this tablet: done when its worker says so. */
export async function forgetPage(): Promise<void> {
  const worker = (await navigator.serviceWorker?.getRegistration('/bench').catch(() => undefined))?.active
  if (!worker) return
  await new Promise<void>((done) => {
    const { port1, port2 } = new MessageChannel()
    port1.onmessage = () => done()
    setTimeout(done, patienceMs)
    worker.postMessage({ forget: true }, [port2])
  })
}
