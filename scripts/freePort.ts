import { randomInt } from 'node:crypto'
import { createServer } from 'node:net'

/** Below the ports from which this machine makes its own connections (ip_local_port_range): one of them could take a port between its being found and its being used. */
const [least, most] = [20_000, 32_000]

/** Ports that were given out: what was asked for the last time may not listen yet. */
const given = new Set<number>()

/** A loopback port that nothing listens on; `wanted` is taken when it is free. */
export function freePort(wanted = 0): Promise<number> {
  const port = wanted || randomInt(least, most)
  if (!wanted && given.has(port)) return freePort()
  return new Promise((resolve, reject) => {
    const probe = createServer()
    probe.once('error', (error: NodeJS.ErrnoException) => {
      if (error.code === 'EADDRINUSE') freePort().then(resolve, reject)
      else reject(error)
    })
    probe.listen(port, '127.0.0.1', () => {
      given.add(port)
      probe.close(() => resolve(port))
    })
  })
}
