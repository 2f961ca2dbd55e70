import { getIronSession } from 'iron-session'
import { cookies } from 'next/headers'

interface Sealed {
  user?: string
  bench?: { run: string; day: string }
}

/**
 * The sealed cookie of one kind: people and bench tablets have one each, so a demonstrator who looks at a bench on their own tablet does not become that bench.
 * Http-only, same-site, encrypted and signed with `MOZLE_COOKIE_KEY`; nothing of it is kept in the process.
 */
export async function sealedCookie(kind: 'user' | 'bench') {
  const password = process.env.MOZLE_COOKIE_KEY
  if (!password) throw new Error('MOZLE_COOKIE_KEY is not set: start the application with ./mozle.')
  return getIronSession<Sealed>(await cookies(), {
    cookieName: `mozle-${kind}`,
    password,
    ttl: 12 * 60 * 60,
    cookieOptions: { httpOnly: true, sameSite: 'strict', secure: process.env.MOZLE_HTTPS === '1', path: '/' },
  })
}
