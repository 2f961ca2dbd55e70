import type { Sequelize } from 'sequelize'
import type { Host } from './addresses'
import { troubleOf } from './again'

/** What we need of a connection and of who makes them. */
interface Connection {
  isValid: () => boolean
  query: (sql: string) => Promise<unknown>
  destroy: () => void
}
interface Manager {
  connect: (config: object) => Promise<Connection>
}

/** For so long a server that did not answer is tried last. */
const avoidedMs = 5000

interface Server extends Host {
  avoidedUntil: number
}

/** Which server a connection stands at. */
const servers = new WeakMap<object, Server>()

/** Whether a connection that waited can be used: it stands, at a server that nothing is known against. */
export const standsAt = (connection: object): boolean =>
  (connection as Connection).isValid() && (servers.get(connection)?.avoidedUntil ?? 0) < Date.now()

/** Makes connections at the first of several servers that answers and is part of its cluster. */
export function changesOver(sequelize: Sequelize, hosts: readonly Host[]): void {
  const all = hosts.map((host): Server => ({ ...host, avoidedUntil: 0 }))
  const manager = (sequelize as unknown as { connectionManager: Manager }).connectionManager
  const connect = manager.connect.bind(manager)
  manager.connect = async (config) => {
    const now = Date.now()
    const known = all.filter(({ avoidedUntil }) => avoidedUntil < now)
    let last: unknown
    for (const server of [...known, ...all.filter((each) => !known.includes(each))])
      try {
        const connection = await connect({ ...config, host: server.host, port: server.port })
        // One that is not part of the cluster takes connections and answers nothing.
        await connection.query('SELECT 1').catch((error: unknown) => {
          connection.destroy()
          throw error
        })
        servers.set(connection, server)
        avoidOnLoss(connection, server)
        return connection
      } catch (error) {
        last = error
        server.avoidedUntil = Date.now() + avoidedMs
      }
    throw last
  }
}

/** A server that left its cluster while it was being asked is avoided from then on, and its connections with it. */
function avoidOnLoss(connection: Connection, server: Server): void {
  const query = connection.query.bind(connection)
  connection.query = async (...asked: Parameters<Connection['query']>) => {
    try {
      return await query(...asked)
    } catch (error) {
      if (troubleOf(error) === 'lost') server.avoidedUntil = Date.now() + avoidedMs
      throw error
    }
  }
}
