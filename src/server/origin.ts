interface Asked {
  get: (name: string) => string | null
}

/** The address under which people find this service, as its configuration says, without a slash at its end. */
export const publicAddress = (): string | undefined => process.env.MOZLE_PUBLIC || undefined

/** The address for links that are given to people: the public one, else that under which this was asked. */
export const originFor = (headers: Asked): string =>
  publicAddress() ??
  `${headers.get('x-forwarded-proto') ?? 'http'}://${headers.get('x-forwarded-host') ?? headers.get('host') ?? 'localhost'}`

/** Whether a change is asked for by a page of this service: by the public address where there is one, else by the address that was asked. */
export function isOwnOrigin(headers: Asked): boolean {
  const origin = headers.get('origin')
  const host = headers.get('x-forwarded-host') ?? headers.get('host')
  if (!origin || !host) return false
  const known = publicAddress()
  if (known) return origin === known
  try {
    return new URL(origin).host === host
  } catch {
    return false
  }
}
