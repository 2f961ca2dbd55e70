import path from 'node:path'
import { instrumentKinds } from '@/devices/line'
import { startChild } from './child'
import { freePort } from './freePort'
import { home } from './home'

/**
 * Starts a stand-in for each kind of instrument, each a process of its own, or all in one where that is enough. @returns what `MOZLE_INSTRUMENTS` says of them
 */
export async function startInstruments(folder: string, name: string, together = false): Promise<string> {
  const ports = await Promise.all(instrumentKinds.map(async (kind) => ({ kind, port: await freePort() })))
  for (const each of together ? [ports] : ports.map((one) => [one])) {
    const called = each.map(({ kind }) => kind).join('-')
    startChild(
      process.execPath,
      [
        '--import',
        `file://${path.join(home, 'node_modules/tsx/dist/esm/index.mjs')}`,
        path.join(home, 'scripts/instrument.ts'),
        ...each.flatMap(({ kind, port }) => [kind, String(port)]),
      ],
      { cwd: home, log: path.join(folder, `${name}-${called}.log`), record: path.join(folder, `${name}-${called}.process`) },
    )
  }
  return ports.map(({ kind, port }) => `${kind}=127.0.0.1:${port}`).join(' ')
}
