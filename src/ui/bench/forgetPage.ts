'use client'

/** The page of a bench that is left is no longer kept on this tablet. */
export async function forgetPage(): Promise<void> {
  const registration = await navigator.serviceWorker?.getRegistration('/bench').catch(() => undefined)
  registration?.active?.postMessage({ forget: true })
}
