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

const methods = new Set(['GET', 'HEAD', 'POST', 'PUT', 'PATCH', 'DELETE', 'OPTIONS'])

/** The methods that are taken, as a header says them. */
export const allow = [...methods].join(', ')

/** A longer address is none of ours. */
const longestUrl = 4000

/**
 * What no page and no route of ours takes, before the framework sees it: methods that are none, addresses that cannot be decoded, and headers of the framework's own router that no page of ours has written.
 * @returns the status and the words to answer, or null where it may pass
 */
export function refusedAtDoor({
  method = '',
  url = '',
  headers,
}: Pick<IncomingMessage, 'method' | 'url' | 'headers'>): { status: 400 | 405; words: string } | null {
  if (!methods.has(method)) return { status: 405, words: 'This way of asking is not taken here.' }
  const address = { status: 400, words: 'This address cannot be read.' } as const
  if (!url.startsWith('/') || url.length > longestUrl) return address
  const [path = ''] = url.split('?', 1)
  const decoded = decodedOrNull(path)
  // Control characters, and slashes that stand the other way round, are in no address of ours.
  if (decoded === null || /[\u0000-\u001f\u007f\\]/.test(decoded)) return address
  const tree = one(headers['next-router-state-tree'])
  if (tree !== undefined && !isTree(tree)) return { status: 400, words: 'A header of this request cannot be read.' }
  return null
}

function decodedOrNull(text: string): string | null {
  try {
    return decodeURIComponent(text)
  } catch {
    return null
  }
}

/** Whether a header is such a tree as the router sends: a name of a segment, or its parameter, and the trees below it. */
function isTree(header: string): boolean {
  const text = decodedOrNull(header)
  if (text === null) return false
  const isBranch = (branch: unknown, depth: number): boolean =>
    Array.isArray(branch) &&
    depth < 30 &&
    (typeof branch[0] === 'string' || (Array.isArray(branch[0]) && branch[0].length >= 3 && typeof branch[0][0] === 'string')) &&
    typeof branch[1] === 'object' &&
    branch[1] !== null &&
    !Array.isArray(branch[1]) &&
    Object.values(branch[1] as object).every((each) => isBranch(each, depth + 1))
  try {
    return isBranch(JSON.parse(text), 0)
  } catch {
    return false
  }
}

/** Headers with which the framework speaks to itself, or calls actions of a server that we have none of: nobody outside says them. */
const inner = ['next-action', 'x-middleware-subrequest', 'x-nextjs-data', 'x-invoke-path', 'x-matched-path']

export function forgetInner({ headers }: Pick<IncomingMessage, 'headers'>): void {
  for (const name of inner) delete headers[name]
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
