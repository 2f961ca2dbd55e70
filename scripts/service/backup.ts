import { execFileSync } from 'node:child_process'
import {
  copyFileSync,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readFileSync,
  readdirSync,
  renameSync,
  rmSync,
  statSync,
  writeFileSync,
} from 'node:fs'
import { tmpdir } from 'node:os'
import path from 'node:path'
import { QueryTypes } from 'sequelize'
import { connectTo } from '@/data/connect'
import { headsOf, keyFile, publicPem, signHead, signingKey, type SignedHead } from '@/data/heads'
import { version } from '../../package.json'
import { secretsOf } from '../database'
import type { Config } from './config'
import { keysFolder, type Reached } from './database'
import { checksumOf, dumpTo } from './dump'

/** What a backup says of itself. */
export interface Manifest {
  format: 'mozle-backup'
  version: 1
  /** The program that made it, and the last change of its tables. */
  program: string
  tables: string
  madeAt: string
  why: Why
  files: { path: string; sha256: string; bytes: number }[]
  /** Rows of each table at the moment at which it began; what was written while it was made comes on top. */
  rows: Record<string, number>
  /** The key with which the heads in `heads.jsonl` are signed. */
  publicKey: string
}

export type Why = 'nightly' | 'by hand' | 'before an upgrade'

export const ending = '.mozle-backup'

/** Files that hold secrets are readable by their owner only, and so is a backup, which holds them all. */
const secret = { mode: 0o600 } as const

/**
 * Makes a backup while the service runs: everything of the database in one snapshot, the keys it needs, the heads of all logs signed before the snapshot, checksums. Written beside its place and renamed, so that half a backup is never taken for one.
 */
export async function makeBackup(
  config: Config,
  reached: Reached,
  why: Why,
  folder = config.backup.folder,
  now = new Date(),
): Promise<string> {
  mkdirSync(folder, { recursive: true, mode: 0o700 })
  const made = mkdtempSync(path.join(folder, '.making-'))
  try {
    const owner = connectTo(reached.ownerUrl, 2)
    let rows: Record<string, number>
    let tables: string
    try {
      const key = signingKey(keysFolder(config))
      const heads = (await headsOf(owner, undefined, now)).map((head) => signHead(head, key))
      writeFileSync(path.join(made, 'heads.jsonl'), heads.map((head) => `${JSON.stringify(head)}\n`).join(''), secret)
      writeFileSync(path.join(made, 'heads.pub'), publicPem(key))
      copyFileSync(keyFile(keysFolder(config)), path.join(made, 'heads.key'))
      const names = await owner.query<{ name: string }>(
        'SELECT table_name AS name FROM information_schema.tables WHERE table_schema = DATABASE() ORDER BY 1',
        { type: QueryTypes.SELECT },
      )
      rows = {}
      for (const { name } of names) {
        const [counted] = await owner.query<{ count: number | bigint }>(`SELECT COUNT(*) AS count FROM \`${name}\``, {
          type: QueryTypes.SELECT,
        })
        rows[name] = Number(counted!.count)
      }
      const last = await owner.query<{ name: string }>('SELECT MAX(name) AS name FROM migration', { type: QueryTypes.SELECT })
      tables = last[0]?.name ?? ''
    } finally {
      await owner.close()
    }
    writeFileSync(path.join(made, 'secrets.json'), JSON.stringify(secretsOf(config.dataFolder)), secret)
    await dumpTo(path.join(made, 'database.sql.gz'), reached.ownerUrl, config.binlogDays > 0)
    const files = await Promise.all(
      readdirSync(made)
        .sort()
        .map(async (file) => ({
          path: file,
          sha256: await checksumOf(path.join(made, file)),
          bytes: statSync(path.join(made, file)).size,
        })),
    )
    const manifest: Manifest = {
      ...{ format: 'mozle-backup', version: 1, program: version, tables, madeAt: now.toISOString(), why, files, rows },
      publicKey: readFileSync(path.join(made, 'heads.pub'), 'utf8'),
    }
    writeFileSync(path.join(made, 'manifest.json'), `${JSON.stringify(manifest, null, 2)}\n`)
    writeFileSync(path.join(made, 'manifest.sha256'), await checksumOf(path.join(made, 'manifest.json')))
    const name = `mozle-${now.toISOString().replace(/[-:]|\.\d+/g, '')}-${why.replaceAll(' ', '-')}`
    const target = freeName(folder, name)
    execFileSync(
      'tar',
      ['-cf', `${target}.part`, '-C', made, 'manifest.json', 'manifest.sha256', ...files.map((file) => file.path)],
      {
        stdio: ['ignore', 'ignore', 'inherit'],
      },
    )
    execFileSync('chmod', ['600', `${target}.part`])
    renameSync(`${target}.part`, target)
    return target
  } finally {
    rmSync(made, { recursive: true, force: true })
  }
}

function freeName(folder: string, name: string): string {
  for (let number = 1; ; number++) {
    const file = path.join(folder, `${name}${number === 1 ? '' : `-${number}`}${ending}`)
    if (!existsSync(file)) return file
  }
}

/** A backup, unpacked into a folder of its own that the caller takes away. */
export interface Unpacked {
  folder: string
  manifest: Manifest
  heads: SignedHead[]
}

/** Unpacks a backup and compares its checksums. @throws Error in words */
export async function unpack(file: string): Promise<Unpacked> {
  if (!existsSync(file)) throw new Error(`There is no file ${file}.`)
  const folder = mkdtempSync(path.join(tmpdir(), 'mozle-unpacked-'))
  try {
    const listed = execFileSync('tar', ['-tf', file], { encoding: 'utf8', stdio: ['ignore', 'pipe', 'ignore'] })
      .trim()
      .split('\n')
    if (
      !['manifest.json', 'manifest.sha256', 'heads.jsonl'].every((name) => listed.includes(name)) ||
      listed.some((name) => !/^[\w.-]+$/.test(name))
    )
      throw new Error('no manifest')
    execFileSync('tar', ['-xf', file, '-C', folder, '--no-same-owner'], { stdio: 'ignore' })
  } catch {
    rmSync(folder, { recursive: true, force: true })
    throw new Error(`${file} is no backup of Mozle, or it breaks off.`)
  }
  try {
    if ((await checksumOf(path.join(folder, 'manifest.json'))) !== readFileSync(path.join(folder, 'manifest.sha256'), 'utf8'))
      throw new Error(`${file}: manifest.json is not as it was written (its checksum differs).`)
    const manifest = JSON.parse(readFileSync(path.join(folder, 'manifest.json'), 'utf8')) as Manifest
    if (manifest.format !== 'mozle-backup' || manifest.version !== 1)
      throw new Error(`${file} is a backup of another version of Mozle.`)
    for (const { path: name, sha256 } of manifest.files) {
      const inside = path.join(folder, name)
      if (!existsSync(inside)) throw new Error(`${file}: ${name} is missing in it.`)
      if ((await checksumOf(inside)) !== sha256)
        throw new Error(`${file}: ${name} is not as it was written (its checksum differs).`)
    }
    const heads = readFileSync(path.join(folder, 'heads.jsonl'), 'utf8')
      .split('\n')
      .filter(Boolean)
      .map((line) => JSON.parse(line) as SignedHead)
    return { folder, manifest, heads }
  } catch (error) {
    rmSync(folder, { recursive: true, force: true })
    throw error
  }
}

/** Nightly backups in a folder, the newest first. */
export const nightlyIn = (folder: string): string[] =>
  existsSync(folder)
    ? readdirSync(folder)
        .filter((file) => file.endsWith(`-nightly${ending}`))
        .sort()
        .reverse()
    : []

/** Takes away the oldest nightly backups; those made by hand or before an upgrade stay. */
export function keepOnly(folder: string, count: number): void {
  for (const file of nightlyIn(folder).slice(count)) rmSync(path.join(folder, file))
}
