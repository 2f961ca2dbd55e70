import { thisMoment } from './clock'
import { getIronSession, unsealData } from 'iron-session'
import { cookies, headers } from 'next/headers'

interface Sealed {
  /** Id of a sign-in, for a person. */
  signIn?: string
  /** A run and the code that opened it, for a bench's tablet. */
  bench?: { run: string; code: string }
  /** The id of a device on which somebody was let in before. */
  device?: string
  /** People who have given a secret of their own on this device before, newest first. */
  people?: string[]
  /** The course that a person in several of them looks at. */
  course?: string
}

const hours = 60 * 60

/** How long each kind is good for at the most, s. A tablet that comes back after days without network still delivers what it wrote. */
const lifetime = { user: 12 * hours, bench: 7 * 24 * hours, device: 365 * 24 * hours } as const

export type CookieKind = keyof typeof lifetime

/** How long a sign-in stands at the most, ms. */
export const signInMs = lifetime.user * 1000

/**
 * The sealed cookie of one kind: people and bench tablets have one each, so a demonstrator who looks at a bench on their own tablet does not become that bench.
 * Http-only, same-site, encrypted and signed with `MOZLE_COOKIE_KEY`, and `Secure` wherever the address is https; what it names is looked up in the database each time.
 */
export async function sealedCookie(kind: CookieKind) {
  const password = process.env.MOZLE_COOKIE_KEY
  if (!password) throw new Error('MOZLE_COOKIE_KEY is not set: start the application with ./mozle.')
  const secure = process.env.MOZLE_HTTPS === '1' || (await headers()).get('x-forwarded-proto') === 'https'
  return getIronSession<Sealed>(await cookies(), {
    cookieName: `mozle-${kind}`,
    password,
    ttl: lifetime[kind],
    cookieOptions: { httpOnly: true, sameSite: 'strict', secure, path: '/' },
  })
}

/** Opened seals, so that a tablet that writes every other second is not unsealed each time; what they name is looked up each time all the same. */
const opened = new Map<string, { sealed: Sealed; until: number }>()
const openedMs = 60_000
const mostOpened = 2000

/** What a cookie of one kind holds, to read; nothing where there is none, or it was not sealed here, or is too old. */
export async function readCookie(kind: CookieKind, now = thisMoment().getTime()): Promise<Sealed> {
  const value = (await cookies()).get(`mozle-${kind}`)?.value
  if (!value) return {}
  const password = process.env.MOZLE_COOKIE_KEY
  if (!password) throw new Error('MOZLE_COOKIE_KEY is not set: start the application with ./mozle.')
  const key = `${kind} ${value}`
  const known = opened.get(key)
  if (known && known.until > now) return known.sealed
  const sealed = await unsealData<Sealed>(value, { password, ttl: lifetime[kind] })
  if (opened.size >= mostOpened) opened.clear()
  opened.set(key, { sealed, until: now + openedMs })
  return sealed
}
