/**
 * The application's process: Next.js behind a front that says who asks. What a client claims of its own address is replaced by the address it really comes from, unless it comes from a proxy that
 * `MOZLE_PROXY` names (addresses, with commas between them); every kind of answer carries the security headers, and is not to be stored unless it says otherwise.
 */
import { createServer } from 'node:http'
import next from 'next'
import { answerHeader, nameAnswer } from '@/server/openAnswers'
import { isLive, plain, sayAlways, sayWhoAsks } from './front'
import { home } from './home'

const port = Number(process.env.MOZLE_PORT)
const proxies = new Set(
  (process.env.MOZLE_PROXY ?? '')
    .split(',')
    .map((each) => each.trim())
    .filter(Boolean),
)

const app = next({ dev: false, dir: home, hostname: '127.0.0.1', port })
await app.prepare()
const handle = app.getRequestHandler()
const server = createServer((request, response) => {
  sayWhoAsks(request, plain(request.socket.remoteAddress), proxies)
  sayAlways(response, request.url)
  delete request.headers[answerHeader]
  if (isLive(request.url)) {
    const { name, closed } = nameAnswer(response)
    request.headers[answerHeader] = name
    // What is packed for each watcher by itself costs more than it saves.
    delete request.headers['accept-encoding']
    response.once('close', closed)
  }
  void handle(request, response)
})
// Longer than those who ask keep a connection open without a word: closed by us at the moment in which they write, a request would be lost.
server.keepAliveTimeout = 75_000
server.listen(port, '127.0.0.1')
const end = () => {
  server.close(() => process.exit(0))
  server.closeIdleConnections()
  // Streams stay open for as long as their readers like; what is being answered gets a moment.
  setTimeout(() => process.exit(0), 1000)
}
for (const signal of ['SIGTERM', 'SIGINT'] as const) process.once(signal, end)
