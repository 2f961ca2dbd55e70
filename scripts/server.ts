/**
 * The application's process: Next.js behind a front that says who asks. What a client claims of its own address is replaced by the address it really comes from, unless it comes from a proxy that
 * `MOZLE_PROXY` names (addresses, with commas between them); every kind of answer carries the security headers, and is not to be stored unless it says otherwise. Each request gets an id, which stands in
 * the log and in its answer. What was written into logs is signed every minute, with a key outside the database.
 */
import { readFileSync } from 'node:fs'
import { createServer, type IncomingMessage, type ServerResponse } from 'node:http'
import { createServer as createSecureServer } from 'node:https'
import next from 'next'
import { ulid } from 'ulid'
import { counters } from '@/server/counters'
import { log, plainError, plainPath } from '@/server/log'
import { answerHeader, nameAnswer } from '@/server/openAnswers'
import { allow, forgetInner, isBuilt, isLive, plain, refusedAtDoor, sayAlways, sayWhoAsks } from './front'
import { home } from './home'
import { signEveryMinute } from './signEveryMinute'

const port = Number(process.env.MOZLE_PORT)
const address = process.env.MOZLE_ADDRESS || '127.0.0.1'
const https = process.env.MOZLE_HTTPS === '1'
const proxies = new Set(
  (process.env.MOZLE_PROXY ?? '')
    .split(',')
    .map((each) => each.trim())
    .filter(Boolean),
)

const app = next({ dev: false, dir: home, hostname: '127.0.0.1', port })
await app.prepare()
const handle = app.getRequestHandler()

let live = 0
const { registry, answered } = counters(() => live)

function answer(request: IncomingMessage, response: ServerResponse): void {
  const began = performance.now()
  const { method = '', url } = request
  const id = ulid()
  sayWhoAsks(request, plain(request.socket.remoteAddress), proxies, 'encrypted' in request.socket)
  sayAlways(response, url, https)
  forgetInner(request)
  request.headers['x-request-id'] = id
  response.setHeader('x-request-id', id)
  delete request.headers[answerHeader]
  const stream = isLive(url)
  if (stream) {
    live++
    const { name, closed } = nameAnswer(response)
    request.headers[answerHeader] = name
    // What is packed for each watcher by itself costs more than it saves.
    delete request.headers['accept-encoding']
    response.once('close', () => {
      live--
      closed()
    })
  }
  response.once('close', () => {
    const ms = performance.now() - began
    if (!stream) answered(method, response.statusCode, ms / 1000)
    const said = { request: id, method, path: plainPath(url), status: response.statusCode, ms: Math.round(ms) }
    log()[isBuilt(url) || stream ? 'debug' : 'info'](said, 'answered')
  })
  const refused = refusedAtDoor(request)
  if (refused) {
    response.writeHead(refused.status, { 'content-type': 'application/json', ...(refused.status === 405 ? { allow } : {}) })
    response.end(JSON.stringify({ error: refused.words }))
    return
  }
  void handle(request, response)
}

const { MOZLE_TLS_CERT: cert, MOZLE_TLS_KEY: key } = process.env
const server =
  cert && key ? createSecureServer({ cert: readFileSync(cert), key: readFileSync(key) }, answer) : createServer(answer)
// Longer than those who ask keep a connection open without a word: closed by us at the moment in which they write, a request would be lost.
server.keepAliveTimeout = 75_000
server.listen(port, address)

const { MOZLE_METRICS_PORT: metricsPort, MOZLE_KEYS: keys } = process.env
const metrics = metricsPort
  ? createServer((_request, response) => {
      void registry.metrics().then((text) => response.setHeader('content-type', registry.contentType).end(text))
    }).listen(Number(metricsPort), '127.0.0.1')
  : undefined
const signing = keys
  ? signEveryMinute(keys, (error) => log().error({ error: plainError(error) }, 'logs could not be signed; it is tried again'))
  : undefined

const end = () => {
  server.close(() => void leave())
  server.closeIdleConnections()
  metrics?.close()
  // Streams stay open for as long as their readers like; what is being answered gets a moment.
  setTimeout(() => void leave(), 1000)
}
let leaving = false
async function leave(): Promise<void> {
  if (leaving) return
  leaving = true
  await signing?.end()
  process.exit(0)
}
for (const signal of ['SIGTERM', 'SIGINT'] as const) process.once(signal, end)
