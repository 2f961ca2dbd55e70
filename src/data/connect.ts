import { QueryTypes, Sequelize, type QueryOptions, type Transaction } from 'sequelize'
import { addressesOf } from './addresses'
import { troubleOf, UnknownOutcome, untilDone } from './again'
import { changesOver, standsAt } from './changeOver'
import { inUtc } from './inUtc'
import { defineModels } from './models'

let kept: Sequelize | undefined

/**
 * The connection to the database that `MOZLE_DB_URL` names, made at first use. The framework may load this module and the models more than once in one process
 * (for pages and for routes); each copy of the models needs a connection it was tied to, so each copy of this module keeps its own.
 */
export function database(): Sequelize {
  if (kept) return kept
  const url = process.env.MOZLE_DB_URL
  if (!url) throw new Error('MOZLE_DB_URL is not set: start the application with ./mozle.')
  kept = connectTo(url, 10)
  return kept
}

/** Whether the database answers within four seconds: a cluster that leaves a server out takes some of them. */
export async function answersNow(): Promise<boolean> {
  const late = new Promise<false>((resolve) => setTimeout(() => resolve(false), 4000))
  const asked = database()
    .query('SELECT 1', { type: QueryTypes.SELECT })
    .then(() => true)
    .catch(() => false)
  return Promise.race([asked, late])
}

/** How the server that answers stands in its cluster. */
export interface ClusterState {
  name: string
  servers: number
  state: string
}

/** How the server that answers stands in its cluster; null where it is not in one. */
export async function clusterState(): Promise<ClusterState | null> {
  const rows = await database().query<{ Variable_name: string; Value: string }>(
    "SHOW VARIABLES WHERE Variable_name IN ('wsrep_on', 'wsrep_node_name')",
    { type: QueryTypes.SELECT },
  )
  const status = await database().query<{ Variable_name: string; Value: string }>(
    "SHOW STATUS WHERE Variable_name IN ('wsrep_cluster_size', 'wsrep_local_state_comment')",
    { type: QueryTypes.SELECT },
  )
  const said = Object.fromEntries([...rows, ...status].map((row) => [row.Variable_name, row.Value]))
  if (said.wsrep_on !== 'ON') return null
  return {
    name: said.wsrep_node_name ?? '',
    servers: Number(said.wsrep_cluster_size),
    state: said.wsrep_local_state_comment ?? '',
  }
}

/** Which release of the database answers. */
export async function databaseVersion(): Promise<string> {
  const [found] = await database().query<{ version: string }>('SELECT VERSION() AS version', { type: QueryTypes.SELECT })
  return found!.version
}

/**
 * A connection of its own, for migrations, seeding and tests; close it when done. Its address may name several servers of a cluster: it speaks to the first that answers, and changes over by itself.
 * What is asked outside a transaction is asked again where another writer was first; where a server went away, only what changes nothing.
 */
export function connectTo(url: string, connections = 4): Sequelize {
  const { urls, hosts } = addressesOf(url)
  const several = hosts.length > 1
  const sequelize = new Sequelize(urls[0]!, {
    dialect: 'mariadb',
    logging: false,
    timezone: '+00:00',
    dialectOptions: {
      // A process that is busy for a moment still makes its connection.
      connectTimeout: several ? 3000 : 10_000,
      // A server that no longer answers must not hold what was asked for ever; longer than anything here takes.
      ...(several ? { socketTimeout: 30_000 } : {}),
      // Benches that write their first entries side by side must not lock the gap between them; nothing here reads twice in one transaction.
      // At a cluster, what was written at one server is seen by whoever asks another afterwards.
      initSql: `SET SESSION tx_isolation = 'READ-COMMITTED'${several ? ', wsrep_sync_wait = 7' : ''}`,
    },
    pool: { max: connections, min: 0, idle: 10_000, acquire: 20_000, ...(several ? { validate: standsAt } : {}) },
    define: { underscored: true, freezeTableName: true, timestamps: false },
  })
  if (several) changesOver(sequelize, hosts)
  patience.set(sequelize, several ? clusterPatienceMs : 0)
  const ask = sequelize.query.bind(sequelize) as (sql: unknown, options?: QueryOptions) => Promise<unknown>
  const again = (sql: unknown, given?: QueryOptions) => {
    const options = given?.replacements ? { ...given, replacements: inUtc(given.replacements) } : given
    return options?.transaction
      ? ask(sql, options)
      : untilDone(() => ask(sql, options), options?.type === QueryTypes.SELECT, patienceOf(sequelize))
  }
  sequelize.query = again as typeof sequelize.query
  defineModels(sequelize)
  return sequelize
}

/** The address at the first server that answers, for programs that know one only. @throws Error where none does */
export async function answering(url: string): Promise<string> {
  const { urls } = addressesOf(url)
  for (const [index, each] of urls.entries()) {
    const asked = connectTo(each, 1)
    try {
      await asked.query('SELECT 1', { type: QueryTypes.SELECT })
      return each
    } catch (error) {
      if (index === urls.length - 1) throw error
    } finally {
      await asked.close()
    }
  }
  throw new Error('The address of the database names no server.')
}

/** How long a cluster is waited for that sorts itself out after one of its servers went away; its own time-outs are shorter. */
const clusterPatienceMs = 12_000
const patience = new WeakMap<Sequelize, number>()
const patienceOf = (sequelize: Sequelize) => patience.get(sequelize) ?? 0

/**
 * Does something in one transaction, again from its beginning where another writer was first, or where the server went away before it was asked to keep it.
 * @param repeats true where it may be done twice: what it writes has ids of its own
 * @throws UnknownOutcome where the server went away while it was keeping it
 */
export function transacted<T>(
  work: (transaction: Transaction) => Promise<T>,
  { repeats = false }: { repeats?: boolean } = {},
): Promise<T> {
  const sequelize = database()
  return untilDone(
    async () => {
      let worked = false
      try {
        return await sequelize.transaction(async (transaction) => {
          const result = await work(transaction)
          worked = true
          return result
        })
      } catch (error) {
        if (worked && !repeats && troubleOf(error) === 'lost')
          throw new UnknownOutcome('The database went away while it was keeping this: look whether it stands there.')
        throw error
      }
    },
    true,
    patienceOf(sequelize),
  )
}
