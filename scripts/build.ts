import { createHash } from 'node:crypto'
import { spawn } from 'node:child_process'
import { existsSync, readFileSync, readdirSync, rmSync, writeFileSync } from 'node:fs'
import path from 'node:path'
import { bundleApart } from './bundle'
import { endWithUs } from './child'
import { home, workFolder } from './home'
import { withLock } from './lock'

/** Everything that the built application depends on. */
const sources = ['src', 'next.config.ts', 'package-lock.json', 'tsconfig.json']

function fingerprint(): string {
  const hash = createHash('sha256')
  const add = (file: string) => hash.update(path.relative(home, file)).update(readFileSync(file))
  for (const source of sources) {
    const place = path.join(home, source)
    if (!existsSync(place)) continue
    if (source !== 'src') add(place)
    else {
      const files = readdirSync(place, { recursive: true, withFileTypes: true }).filter((entry) => entry.isFile())
      for (const file of files.map((entry) => path.join(entry.parentPath, entry.name)).sort())
        if (!/\.test\.tsx?$/.test(file)) add(file)
    }
  }
  return hash.digest('hex')
}

/**
 * Builds the application into `.mozle/next-NAME`, unless what stands there was built from the same sources. The demo and the tests build apart, so that testing a change
 * does not pull the files from under a demo that runs.
 * @throws Error with the end of the build's own words when it fails
 */
export async function build(name: 'demo' | 'test' | 'service'): Promise<string> {
  const folder = `.mozle/next-${name}`
  const stamp = path.join(workFolder(), `next-${name}.stamp`)
  await withLock(`build-${name}`, async () => {
    const print = fingerprint()
    if (existsSync(path.join(home, folder, 'BUILD_ID')) && existsSync(stamp) && readFileSync(stamp, 'utf8') === print) return
    console.error('mozle: building the application')
    rmSync(stamp, { force: true })
    await run(folder)
    await bundleApart(folder)
    // The framework writes into tsconfig.json what it misses there: what was built is what stands now.
    writeFileSync(stamp, fingerprint())
  })
  return folder
}

function run(folder: string): Promise<void> {
  return new Promise((resolve, reject) => {
    const child = spawn(process.execPath, [path.join(home, 'node_modules/next/dist/bin/next'), 'build'], {
      cwd: home,
      env: { ...process.env, NEXT_TELEMETRY_DISABLED: '1', MOZLE_DIST: folder, NODE_ENV: 'production' },
      stdio: ['ignore', 'pipe', 'pipe'],
      // A group of its own, so that a stop ends its workers with it.
      detached: true,
    })
    endWithUs(child)
    let words = ''
    for (const stream of [child.stdout, child.stderr])
      stream.on('data', (data: Buffer) => (words = (words + data.toString()).slice(-8000)))
    child.once('error', reject)
    child.once('exit', (code) => (code === 0 ? resolve() : reject(new Error(`The application did not build:\n${words}`))))
  })
}
