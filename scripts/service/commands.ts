import { connectTo } from '@/data/connect'
import { bookFile, publicPem, readBook, signingKey } from '@/data/heads'
import { proveLog } from '@/data/prove'
import type { Outcome } from '../outcome'
import { importArchive } from '../importArchive'
import { makeBackup } from './backup'
import { ConfigError, readConfig } from './config'
import { keysFolder, withDatabase } from './database'
import { isWhole, restore, tryBackup, type Restored } from './restore'

/** The words of an option, `--name WORDS`, and everything that is neither an option nor its words. */
function parted(args: readonly string[], options: readonly string[]): { given: Record<string, string>; rest: string[] } {
  const given: Record<string, string> = {}
  const rest: string[] = []
  for (let at = 0; at < args.length; at++) {
    const name = args[at]!.replace(/^--/, '')
    if (args[at]!.startsWith('--') && options.includes(name)) {
      const words = args[++at]
      if (words === undefined) throw new ConfigError([`--${name} wants something after it.`])
      given[name] = words
    } else if (args[at]!.startsWith('--')) throw new ConfigError([`There is no --${name} here.`])
    else rest.push(args[at]!)
  }
  return { given, rest }
}

const withConfig = (given: Record<string, string>) => readConfig(given.config ? ['--config', given.config] : [])

async function answered(work: () => Promise<Outcome>): Promise<Outcome> {
  try {
    return await work()
  } catch (error) {
    return { code: error instanceof ConfigError ? 2 : 1, out: '', err: `${(error as Error).message}\n` }
  }
}

/** `mozle backup [--to DIR]`: a backup of the service, also while it runs. */
export const backup = (args: readonly string[]): Promise<Outcome> =>
  answered(async () => {
    const { given } = parted(args, ['config', 'to'])
    const config = withConfig(given)
    const file = await withDatabase(config, (reached) => makeBackup(config, reached, 'by hand', given.to ?? config.backup.folder))
    return { code: 0, out: `${file}\nIt holds the keys of the service: keep it where only you can read it.\n`, err: '' }
  })

function told({ manifest, proof, short }: Restored): string {
  const { touched } = proof
  return [
    `made ${manifest.madeAt} (${manifest.why}) by Mozle ${manifest.program}, tables ${manifest.tables}; every checksum holds`,
    `${proof.runs} runs with ${proof.entries} entries, ${proof.heads} signed heads`,
    ...(short.length > 0 ? [`FEWER ROWS than it counted: ${short.join(', ')}`] : []),
    ...touched.map(({ run, what }) => `TOUCHED: the log of run ${run} ${what}`),
    ...(touched.length === 0 && short.length === 0 ? ['nothing is missing, and no log was touched'] : []),
    '',
  ].join('\n')
}

/** `mozle restore FILE [--until MOMENT --binlogs DIR]`: into an empty place. */
export const restoreFile = (args: readonly string[]): Promise<Outcome> =>
  answered(async () => {
    const { given, rest } = parted(args, ['config', 'until', 'binlogs'])
    const [file] = rest
    if (file === undefined || rest.length > 1 || (given.until === undefined) !== (given.binlogs === undefined))
      return {
        code: 2,
        out: '',
        err: 'usage: ./mozle restore FILE [--config FILE] [--until "2026-11-26 15:30:00" --binlogs DIR]\n',
      }
    const until = given.until === undefined ? undefined : { moment: given.until, binlogs: given.binlogs! }
    const restored = await restore(withConfig(given), file, until)
    const whole = isWhole(restored)
    return { code: whole ? 0 : 1, out: `${told(restored)}${whole ? 'It is restored: ./mozle start\n' : ''}`, err: '' }
  })

/** `mozle verify [FILE]`: whether a backup or an archive is whole, or the logs of the service are as they were written. */
export const verify = (args: readonly string[]): Promise<Outcome> =>
  answered(async () => {
    const { given, rest } = parted(args, ['config'])
    const [file] = rest
    if (file?.endsWith('.zip')) return importArchive([file])
    if (file !== undefined) {
      const tried = await tryBackup(file)
      return { code: isWhole(tried) ? 0 : 1, out: told(tried), err: '' }
    }
    const config = withConfig(given)
    const folder = keysFolder(config)
    const proof = await withDatabase(config, async ({ ownerUrl }) => {
      const owner = connectTo(ownerUrl, 2)
      try {
        return await proveLog(owner, readBook(bookFile(folder)).heads, publicPem(signingKey(folder)))
      } finally {
        await owner.close()
      }
    })
    const { unreadable } = readBook(bookFile(folder))
    const lines = [
      `${proof.runs} runs with ${proof.entries} entries, ${proof.heads} signed heads`,
      ...proof.touched.map(({ run, what }) => `TOUCHED: the log of run ${run} ${what}`),
      ...(unreadable > 0 ? [`TOUCHED: ${bookFile(folder)} holds ${unreadable} lines that cannot be read`] : []),
      ...(proof.touched.length + unreadable === 0 ? ['every entry is as it was written'] : []),
    ]
    return { code: proof.touched.length + unreadable > 0 ? 1 : 0, out: `${lines.join('\n')}\n`, err: '' }
  })
