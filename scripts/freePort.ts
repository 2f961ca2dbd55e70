import { createServer } from 'node:net'

/** A loopback port that nothing listens on; `wanted` is taken when it is free. */
export function freePort(wanted = 0): Promise<number> {
  return new Promise((resolve, reject) => {
    const probe = createServer()
    probe.once('error', (error: NodeJS.ErrnoException) => {
      if (wanted !== 0 && error.code === 'EADDRINUSE') freePort().then(resolve, reject)
      else reject(error)
    })
    probe.listen(wanted, '127.0.0.1', () => {
      const { port } = probe.address() as { port: number }
      probe.close(() => resolve(port))
    })
  })
}
