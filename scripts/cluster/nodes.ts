import { spawnSync } from 'node:child_process'
import { appendFileSync, cpSync, existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs'
import path from 'node:path'
import type { ChildProcess } from 'node:child_process'
import { QueryTypes } from 'sequelize'
import { connectTo } from '@/data/connect'
import { startChild, stopChild } from '../child'
import { answers, dataFolderOf, secretsOf, urlsOf, usual, writeInit, type Secrets } from '../database'
import { freePort } from '../freePort'
import { ensurePackages } from '../packages'
import { signalGroup } from '../process'

/** One server of a cluster on this machine, with the ports it was given for good. */
interface Place {
  name: string
  folder: string
  /** For clients; for the other servers; for what a server missed, in changes and as a whole. */
  port: number
  group: number
  changes: number
  whole: number
}

/** How long a server that no longer answers is waited for before the others go on without it; what the engine takes by itself is made for links over land. */
const timeOuts = [
  'evs.keepalive_period=PT0.3S',
  'evs.inactive_check_period=PT0.3S',
  'evs.suspect_timeout=PT1S',
  'evs.inactive_timeout=PT3S',
  'evs.install_timeout=PT3S',
]

const program = '/usr/sbin/mariadbd'
const library = '/usr/lib/galera/libgalera_smm.so'

/** Three servers of the database's own cluster on loopback ports, each with its data in a folder below `folder`. */
export class Cluster {
  private readonly secrets: Secrets
  private readonly running = new Map<string, ChildProcess>()

  private constructor(
    private readonly folder: string,
    readonly places: readonly Place[],
  ) {
    this.secrets = secretsOf(folder)
  }

  /** Begins a cluster in an empty folder. */
  static async start(folder: string, size = 3): Promise<Cluster> {
    ensurePackages('database', 'cluster')
    mkdirSync(folder, { recursive: true })
    const places: Place[] = []
    for (let index = 1; index <= size; index++) {
      const own = path.join(folder, `node-${index}`)
      mkdirSync(own, { recursive: true })
      const port = () => freePort()
      const [one, two, three, four] = [await port(), await port(), await port(), await port()]
      places.push({ name: `node-${index}`, folder: own, port: one, group: two, changes: three, whole: four })
    }
    const cluster = new Cluster(folder, places)
    // Each begins with what the first has, so that nothing has to be sent as a whole.
    await cluster.startNode(0, true)
    await cluster.stopNode(0)
    for (const { folder: own } of places.slice(1))
      cpSync(path.join(places[0]!.folder, 'data'), path.join(own, 'data'), {
        recursive: true,
        filter: (from) => !/galera\.cache|db\.(sock|pid)$/.test(from),
      })
    await cluster.startNode(0, true)
    for (let index = 1; index < size; index++) await cluster.startNode(index)
    return cluster
  }

  /** The addresses of both users at all its servers, the one with this number first. */
  urls(first = 0): { ownerUrl: string; appUrl: string } {
    const ports = this.places.map(({ port }) => port)
    return urlsOf(this.secrets, [...ports.slice(first), ...ports.slice(0, first)])
  }

  /** The addresses at one server alone. */
  urlsAt(index: number): { ownerUrl: string; appUrl: string } {
    return urlsOf(this.secrets, [this.places[index]!.port])
  }

  get cookieKey(): string {
    return this.secrets.cookie
  }

  /** Starts a server and waits until it has all that the others have. @param alone it begins the cluster @throws Error where it does not come within a minute */
  async startNode(index: number, alone = false): Promise<ChildProcess> {
    const place = this.places[index]!
    dataFolderOf(place.folder)
    const options = [`--defaults-file=${this.writeOptions(place, alone)}`, ...this.cameTo(place)]
    const child = startChild(program, alone ? [...options, '--wsrep-new-cluster'] : options, {
      log: path.join(place.folder, 'mariadb.log'),
      record: path.join(place.folder, 'database.process'),
    })
    this.running.set(place.name, child)
    if (!(await answers(place.port, child)) || !(await this.hasAll(index)))
      throw new Error(`${place.name} did not start; its own words are in ${path.join(place.folder, 'mariadb.log')}`)
    return child
  }

  /** How far a server had come that did not end in order: what it missed is then all that it is sent. */
  private cameTo(place: Place): string[] {
    const state = path.join(place.folder, 'data', 'grastate.dat')
    if (!existsSync(state) || !/^seqno:\s*-1$/m.test(readFileSync(state, 'utf8'))) return []
    const asked = spawnSync(program, [`--defaults-file=${this.writeOptions(place, false)}`, '--wsrep-recover'], {
      encoding: 'utf8',
    })
    const [, position] = /Recovered position: *(\S+:-?\d+)/.exec(`${asked.stdout}${asked.stderr}`) ?? []
    return position ? [`--wsrep-start-position=${position}`] : []
  }

  /** The settings of a server. They stand in a file, since the program of the snapshots is called with the same and takes less than the server. */
  private writeOptions(place: Place, alone: boolean): string {
    const others = alone ? '' : this.places.map(({ group }) => `127.0.0.1:${group}`).join(',')
    const provider = [
      `gmcast.listen_addr=tcp://127.0.0.1:${place.group}`,
      `ist.recv_addr=127.0.0.1:${place.changes}`,
      ...timeOuts,
    ]
    const lines = [
      ...usual(path.join(place.folder, 'data'), place.port)
        .slice(1)
        .map((option) => option.slice(2)),
      // What stands in it goes to all servers by itself.
      ...(alone ? [`init-file=${this.writeInit()}`] : []),
      'wsrep-on=ON',
      `wsrep-provider=${library}`,
      'wsrep-cluster-name=mozle',
      `wsrep-cluster-address=gcomm://${others}`,
      `wsrep-node-name=${place.name}`,
      `wsrep-node-address=127.0.0.1:${place.group}`,
      `wsrep-provider-options=${provider.join(';')}`,
      'wsrep-sst-method=mariabackup',
      `wsrep-sst-auth=mozle_snapshot:${this.secrets.owner}`,
      `wsrep-sst-receive-address=127.0.0.1:${place.whole}`,
      // A statement that would not reach every server is refused.
      'wsrep-mode=REQUIRED_PRIMARY_KEY,STRICT_REPLICATION',
      'wsrep-sync-wait=7',
      'binlog-format=ROW',
      'innodb-autoinc-lock-mode=2',
      'log-bin-trust-function-creators=1',
      // What one server loses with its power, the others have.
      'innodb-flush-log-at-trx-commit=0',
    ]
    const file = path.join(place.folder, 'options.cnf')
    writeFileSync(file, `[mysqld]\n${lines.join('\n')}\n`, { mode: 0o600 })
    return file
  }

  private writeInit(): string {
    const file = writeInit(this.folder, this.secrets)
    appendFileSync(
      file,
      `\nCREATE USER IF NOT EXISTS 'mozle_snapshot'@'localhost' IDENTIFIED BY '${this.secrets.owner}';` +
        "\nGRANT RELOAD, PROCESS, LOCK TABLES, BINLOG MONITOR ON *.* TO 'mozle_snapshot'@'localhost';",
    )
    return file
  }

  /** Waits until a server has all that the others have; false where it ended, or a minute went by. */
  async hasAll(index: number): Promise<boolean> {
    const child = this.processOf(index)
    for (const until = Date.now() + 60_000; Date.now() < until && child.exitCode === null && child.signalCode === null;) {
      if ((await this.stateOf(index)).wsrep_local_state_comment === 'Synced') return true
      await new Promise((resolve) => setTimeout(resolve, 200))
    }
    return false
  }

  /** What a server says of the cluster; nothing where it does not answer. */
  async stateOf(index: number): Promise<Record<string, string>> {
    const asked = connectTo(this.urlsAt(index).ownerUrl, 1)
    try {
      const rows = await asked.query<{ Variable_name: string; Value: string }>("SHOW STATUS LIKE 'wsrep_%'", {
        type: QueryTypes.SELECT,
      })
      return Object.fromEntries(rows.map((row) => [row.Variable_name, row.Value]))
    } catch {
      return {}
    } finally {
      await asked.close()
    }
  }

  processOf = (index: number): ChildProcess => this.running.get(this.places[index]!.name)!

  /** Ends a server as a loss of power would. */
  killNode(index: number): void {
    signalGroup(this.processOf(index).pid!, 'SIGKILL')
  }

  /** Ends a server in order. */
  async stopNode(index: number): Promise<void> {
    await stopChild(this.processOf(index))
  }

  /** Ends all of it, the first server last, so that it knows that it may begin again. */
  async stop(): Promise<void> {
    for (let index = this.places.length - 1; index >= 0; index--) await this.stopNode(index)
  }
}
