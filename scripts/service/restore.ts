import { copyFileSync, existsSync, mkdtempSync, readdirSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import path from 'node:path'
import { execFileSync } from 'node:child_process'
import { QueryTypes, type Sequelize } from 'sequelize'
import { answering, connectTo } from '@/data/connect'
import { bookFile, hasChain, keyFile } from '@/data/heads'
import { tablesState } from '@/data/migrationNames'
import { proveLog, type Proof } from '@/data/prove'
import { startDatabase } from '../database'
import { ensurePackages } from '../packages'
import { unpack, type Manifest } from './backup'
import type { Config } from './config'
import { keysFolder, makeFolders, openDatabase } from './database'
import { loadFrom } from './dump'

/** What a backup was found to hold once it was read in. */
export interface Restored {
  manifest: Manifest
  proof: Proof
  /** Tables that have fewer rows than the backup counted when it began. */
  short: string[]
}

/** Whether everything that a backup promised was there, and untouched. */
export const isWhole = ({ proof, short }: Restored): boolean => proof.touched.length === 0 && short.length === 0

/** Compares what was read in with what the backup says of itself. */
async function compare(
  owner: Sequelize,
  { manifest, heads }: Pick<Awaited<ReturnType<typeof unpack>>, 'manifest' | 'heads'>,
): Promise<Restored> {
  const short: string[] = []
  for (const [table, rows] of Object.entries(manifest.rows)) {
    const [counted] = await owner.query<{ count: number | bigint }>(`SELECT COUNT(*) AS count FROM \`${table}\``, {
      type: QueryTypes.SELECT,
    })
    // While it was made people may have signed out, and old attempts are swept: logs and plans only grow.
    if (Number(counted!.count) < rows && !mayShrink.has(table)) short.push(table)
  }
  const proof = (await hasChain(owner))
    ? await proveLog(owner, heads, manifest.publicKey)
    : { runs: 0, entries: 0, heads: 0, touched: [] }
  return { manifest, proof, short }
}

const mayShrink = new Set([
  'sign_in',
  'attempt',
  'invitation',
  'draft',
  'beside',
  'instrument_file',
  'run_student',
  'student',
  'student_group',
])

/** Reads a backup into a database of its own that is thrown away, and says whether it is whole. @throws Error where it cannot be read */
export async function tryBackup(file: string): Promise<Restored> {
  const unpacked = await unpack(file)
  const folder = mkdtempSync(path.join(tmpdir(), 'mozle-verify-'))
  try {
    const scratch = await startDatabase(folder, { durable: false })
    try {
      await loadFrom(path.join(unpacked.folder, 'database.sql.gz'), scratch.ownerUrl)
      const owner = connectTo(scratch.ownerUrl)
      try {
        return await compare(owner, unpacked)
      } finally {
        await owner.close()
      }
    } finally {
      await scratch.stop()
    }
  } finally {
    rmSync(folder, { recursive: true, force: true })
    rmSync(unpacked.folder, { recursive: true, force: true })
  }
}

/** Restores a backup into an empty place: the data folder of a configuration without a database, or an existing database without tables. @throws Error where it is not empty */
export async function restore(config: Config, file: string, until?: { moment: string; binlogs: string }): Promise<Restored> {
  const unpacked = await unpack(file)
  try {
    if (!config.database && existsSync(path.join(config.dataFolder, 'data')))
      throw new Error(
        `${config.dataFolder} holds a database already. A backup is restored into an empty place: name another folder in MOZLE_DATA, or move this one away.`,
      )
    makeFolders(config)
    const inside = (name: string) => path.join(unpacked.folder, name)
    if (existsSync(path.join(config.dataFolder, 'secrets.json')) && config.database)
      throw new Error(`${config.dataFolder} holds the keys of a service already. Name another folder in MOZLE_DATA.`)
    copyFileSync(inside('secrets.json'), path.join(config.dataFolder, 'secrets.json'))
    copyFileSync(inside('heads.key'), keyFile(keysFolder(config)))
    copyFileSync(inside('heads.jsonl'), bookFile(keysFolder(config)))
    const { own, ownerUrl } = await openDatabase(config)
    try {
      const owner = connectTo(ownerUrl)
      try {
        if (!(await tablesState(owner)).empty)
          throw new Error('This database has tables already. A backup is restored into an empty one.')
        await loadFrom(inside('database.sql.gz'), ownerUrl)
        if (until) await replay(inside('database.sql.gz'), ownerUrl, until)
        return await compare(owner, unpacked)
      } finally {
        await owner.close()
      }
    } finally {
      await own?.stop()
    }
  } finally {
    rmSync(unpacked.folder, { recursive: true, force: true })
  }
}

/** Adds what the binary log holds from the place of a backup to a moment. @throws Error where the backup notes no place, or the log does not reach back so far */
async function replay(dump: string, ownerUrl: string, { moment, binlogs }: { moment: string; binlogs: string }): Promise<void> {
  const head = execFileSync('sh', ['-c', 'gzip -dc "$0" 2>/dev/null | head -60', dump], { encoding: 'utf8' })
  const [, first, position] = /CHANGE MASTER TO MASTER_LOG_FILE='([^']+)', MASTER_LOG_POS=(\d+)/.exec(head) ?? []
  if (!first || !position)
    throw new Error('This backup was made without a binary log: it can be restored as it is, and no further.')
  const files = readdirSync(binlogs)
    .filter((name) => /^binlog\.\d+$/.test(name) && name >= first)
    .sort()
    .map((name) => path.join(binlogs, name))
  if (files.length === 0 || path.basename(files[0]!) !== first)
    throw new Error(`${binlogs} does not hold ${first}, where this backup stands.`)
  ensurePackages('backup')
  const { hostname, port, username, password, pathname } = new URL(await answering(ownerUrl))
  const sql = execFileSync(
    'mariadb-binlog',
    [`--start-position=${position}`, `--stop-datetime=${moment}`, `--database=${pathname.slice(1)}`, ...files],
    { encoding: 'buffer', maxBuffer: 2 ** 31, env: { ...process.env, TZ: 'UTC' } },
  )
  execFileSync('mariadb', ['--no-defaults', `--host=${hostname}`, `--port=${port}`, `--user=${username}`, pathname.slice(1)], {
    input: sql,
    env: { ...process.env, MYSQL_PWD: password },
    stdio: ['pipe', 'ignore', 'inherit'],
  })
}

/** Takes every table of a database away. */
export async function emptyOut(owner: Sequelize): Promise<void> {
  const tables = await owner.query<{ name: string }>(
    'SELECT table_name AS name FROM information_schema.tables WHERE table_schema = DATABASE()',
    {
      type: QueryTypes.SELECT,
    },
  )
  await owner.transaction(async (transaction) => {
    await owner.query('SET FOREIGN_KEY_CHECKS = 0', { transaction })
    for (const { name } of tables) await owner.query(`DROP TABLE \`${name}\``, { transaction })
    await owner.query('SET FOREIGN_KEY_CHECKS = 1', { transaction })
  })
}

/** Puts a database back to what a backup holds. */
export async function putBackTo(file: string, ownerUrl: string): Promise<void> {
  const unpacked = await unpack(file)
  const owner = connectTo(ownerUrl, 1)
  try {
    await emptyOut(owner)
    await loadFrom(path.join(unpacked.folder, 'database.sql.gz'), ownerUrl)
  } finally {
    await owner.close()
    rmSync(unpacked.folder, { recursive: true, force: true })
  }
}
