import { createHash } from 'node:crypto'
import { spawn, type ChildProcess } from 'node:child_process'
import { createReadStream, createWriteStream } from 'node:fs'
import { Transform } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import { createGunzip, createGzip } from 'node:zlib'
import { answering } from '@/data/connect'
import { ensurePackages } from '../packages'

/** How the database's own programs are told whom to talk to; the password goes where nobody sees it in the list of processes. */
async function whom(url: string): Promise<{ args: string[]; env: NodeJS.ProcessEnv; name: string }> {
  const { hostname, port, username, password, pathname } = new URL(await answering(url))
  return {
    args: ['--no-defaults', `--host=${hostname}`, `--port=${port || '3306'}`, `--user=${decodeURIComponent(username)}`],
    env: { ...process.env, MYSQL_PWD: decodeURIComponent(password) },
    name: pathname.slice(1),
  }
}

/** Waits for a program's end. @throws Error with the end of what it said */
function ended(child: ChildProcess, what: string): Promise<void> {
  let said = ''
  child.stderr?.on('data', (data: Buffer) => (said = (said + data.toString()).slice(-2000)))
  return new Promise((resolve, reject) => {
    child.once('error', reject)
    child.once('close', (code) => (code === 0 ? resolve() : reject(new Error(`${what}: ${said.trim() || `exit code ${code}`}`))))
  })
}

/**
 * Writes everything of a database into a packed file while it is being used: one snapshot, triggers included.
 * @param position true where the place in the binary log is noted in it
 */
export async function dumpTo(file: string, url: string, position: boolean): Promise<void> {
  ensurePackages('backup')
  const { args, env, name } = await whom(url)
  const child = spawn(
    'mariadb-dump',
    [
      ...args,
      ...['--single-transaction', '--quick', '--skip-lock-tables', '--triggers', '--hex-blob', '--default-character-set=utf8mb4'],
      ...(position ? ['--master-data=2'] : []),
      name,
    ],
    { env, stdio: ['ignore', 'pipe', 'pipe'] },
  )
  await Promise.all([
    pipeline(child.stdout, createGzip(), createWriteStream(file, { mode: 0o600 })),
    ended(child, 'The database could not be written out'),
  ])
}

/** Who may have made a trigger elsewhere is not who makes it here. */
const definers = /\/\*!500(?:17|20) DEFINER=`[^`]*`@`[^`]*`\*\/ ?/g

/** Takes lines as they are, but for who made a trigger. */
function withoutDefiners(): Transform {
  let rest = ''
  return new Transform({
    transform(data: Buffer, _encoding, done) {
      const text = rest + data.toString('latin1')
      const end = text.lastIndexOf('\n') + 1
      rest = text.slice(end)
      done(null, Buffer.from(text.slice(0, end).replace(definers, ''), 'latin1'))
    },
    flush(done) {
      done(null, Buffer.from(rest.replace(definers, ''), 'latin1'))
    },
  })
}

/** Reads a packed file back into a database. @throws Error with what the database said */
export async function loadFrom(file: string, url: string): Promise<void> {
  const { args, env, name } = await whom(url)
  const child = spawn('mariadb', [...args, '--default-character-set=utf8mb4', '--max-allowed-packet=1G', name], {
    env,
    stdio: ['pipe', 'ignore', 'pipe'],
  })
  const done = ended(child, 'The database could not be read in')
  // A client that ends early says why by itself; that its input broke says nothing more.
  await Promise.all([
    pipeline(createReadStream(file), createGunzip(), withoutDefiners(), child.stdin).catch((error: NodeJS.ErrnoException) => {
      if (error.code !== 'EPIPE' && error.code !== 'ERR_STREAM_PREMATURE_CLOSE') throw error
    }),
    done,
  ])
}

/** SHA-256 of a file, in hexadecimal. */
export async function checksumOf(file: string): Promise<string> {
  const hash = createHash('sha256')
  for await (const data of createReadStream(file)) hash.update(data as Buffer)
  return hash.digest('hex')
}
