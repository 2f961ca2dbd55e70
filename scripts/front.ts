import type { IncomingMessage, ServerResponse } from 'node:http'

/** IPv4 addresses are the same whichever way the socket writes them. */
export const plain = (address: string | undefined) => (address ?? '').replace(/^::ffff:/, '')

const one = (value: string | string[] | undefined) => (Array.isArray(value) ? value.join(',') : value)

/** Says in the headers that Next.js reads who really asks, and for what. */
export function sayWhoAsks(
  request: Pick<IncomingMessage, 'headers'>,
  peer: string,
  trusted: ReadonlySet<string>,
  encrypted = false,
): void {
  const { headers } = request
  const forwarded = (one(headers['x-forwarded-for']) ?? '').split(',').map((each) => plain(each.trim()))
  const proto = one(headers['x-forwarded-proto'])
  const byProxy = trusted.has(peer)
  // The last address that is none of ours is the one that our own proxy saw.
  const client = byProxy ? forwarded.filter((each) => each !== '' && !trusted.has(each)).at(-1) : undefined
  headers['x-forwarded-for'] = client ?? peer
  headers['x-forwarded-proto'] = encrypted || (byProxy && proto?.split(',')[0]?.trim() === 'https') ? 'https' : 'http'
  if (!byProxy) for (const name of ['x-forwarded-host', 'x-forwarded-port', 'forwarded', 'x-real-ip']) delete headers[name]
}

const always = {
  'x-content-type-options': 'nosniff',
  'referrer-policy': 'no-referrer',
  'x-frame-options': 'DENY',
  'cross-origin-opener-policy': 'same-origin',
  'cross-origin-resource-policy': 'same-origin',
  'permissions-policy': 'camera=(), microphone=(), geolocation=()',
  // Pages set their own, with a nonce; what is no page runs nothing and loads nothing.
  'content-security-policy': "default-src 'none'; frame-ancestors 'none'",
  'cache-control': 'no-store',
} as const

/** Built files carry their content in their names, and are kept for good; Next.js says so where nothing has been said before. */
export const isBuilt = (url: string | undefined) => url?.startsWith('/_next/static/') ?? false

/** Streams, which stay open. */
export const isLive = (url: string | undefined) => /^\/api\/[^?]*\/live(\?|$)/.test(url ?? '')

/** A worker takes the policy of its own script: it may load what is built, and nothing else. */
const builtPolicy = "default-src 'none'; script-src 'self'; connect-src 'self'; frame-ancestors 'none'"

/** A year, as browsers ask for. */
const onlyHttps = 'max-age=31536000'

export function sayAlways(response: Pick<ServerResponse, 'setHeader'>, url?: string, https = false): void {
  if (https) response.setHeader('strict-transport-security', onlyHttps)
  for (const [name, value] of Object.entries(always))
    if (name !== 'cache-control' || !isBuilt(url)) response.setHeader(name, value)
  if (isBuilt(url)) response.setHeader('content-security-policy', builtPolicy)
}
