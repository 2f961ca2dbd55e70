import { readFileSync } from 'node:fs'
import { calculate } from '@/core/format/calculation'
import { EntriesFileError, readEntriesFile } from '@/core/format/entriesFile'
import { PlanFileError, readPlanFile } from '@/core/format/planFile'
import { cases, deviation } from '@/reference/cases'
import { crystallisationSolvents } from '@/reference/records'

/** What a command leaves: its exit code and what goes to either stream. */
export interface Outcome {
  code: number
  out: string
  err: string
}

/** Cases that were worked by hand or published, with what is found and how far it is off; exit code 1 where one is further off than it may be. */
function sheetOfCases(): Outcome {
  const rows = cases.map((each) => ({ ...each, ...deviation(each) }))
  const figure = (value: number | string) => (typeof value === 'string' ? value : String(Number(value.toPrecision(5))))
  const lines = rows.map(({ area, what, unit, expected, within, value, off, holds }) =>
    [
      holds ? 'holds' : 'OFF',
      area,
      what,
      `expected ${figure(expected)}`,
      `found ${figure(value)}${unit && ` ${unit}`}`,
      ...(off === null ? [] : [`deviation ${off >= 0 ? '+' : '−'}${figure(Math.abs(off))} of ${figure(within)}`]),
    ].join('\t'),
  )
  const bad = rows.filter(({ holds }) => !holds).length
  return { code: bad > 0 ? 1 : 0, out: `${lines.join('\n')}\n${rows.length} cases, ${bad} off\n`, err: '' }
}

/** `mozle calc PLAN [--log ENTRIES]`: what the core computes as JSON; exit code 2 with the file, the place and the reason on a bad file. */
export function calc(args: readonly string[]): Outcome {
  if (args.length === 1 && args[0] === '--cases') return sheetOfCases()
  const files = args.filter((_, index) => args[index] !== '--log' && args[index - 1] !== '--log')
  const log = args.includes('--log') ? args[args.indexOf('--log') + 1] : undefined
  if (files.length !== 1 || (args.includes('--log') && log === undefined)) {
    return refuse('usage: ./mozle calc PLAN [--log ENTRIES], or ./mozle calc --cases')
  }
  const [plan] = files as [string]
  try {
    const read = readPlanFile(contentOf(plan))
    const run = log === undefined ? undefined : readEntriesFile(contentOf(log))
    return { code: 0, out: `${JSON.stringify(calculate(read, run, crystallisationSolvents), null, 2)}\n`, err: '' }
  } catch (error) {
    if (error instanceof PlanFileError) return refuse(`${plan}: ${error.message}`)
    if (error instanceof EntriesFileError) return refuse(`${log}: ${error.message}`)
    if (error instanceof UnreadableFile) return refuse(error.message)
    // A fault of ours: still without a stack, and with what was being computed.
    return refuse(`${log ?? plan}: could not be computed (${(error as Error).message}). Please report this with the file.`)
  }
}

class UnreadableFile extends Error {}

function contentOf(file: string): string {
  try {
    return readFileSync(file, 'utf8')
  } catch (error) {
    throw new UnreadableFile(`${file}: cannot be read (${(error as NodeJS.ErrnoException).code}).`)
  }
}

function refuse(message: string): Outcome {
  return { code: 2, out: '', err: `${message}\n` }
}
