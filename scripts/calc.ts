import { readFileSync } from 'node:fs'
import { calculate } from '@/core/format/calculation'
import { EntriesFileError, readEntriesFile } from '@/core/format/entriesFile'
import { PlanFileError, readPlanFile } from '@/core/format/planFile'
import { cases, deviation } from '@/reference/cases'
import { crystallisationSolvents } from '@/reference/records'
import { filesOf, outcomeOfFiles } from './manyFiles'
import { refuse, type Outcome } from './outcome'

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

const usage = 'usage: ./mozle calc PLAN [--log ENTRIES] [PLAN [--log ENTRIES]] ..., or ./mozle calc --cases'

/**
 * `mozle calc PLAN [--log ENTRIES] ...`: what the core computes as JSON, each plan with the entries that are named after it; of several plans a list. Exit code 2 with the file, the place and the reason on a bad
 * file; the others are computed all the same.
 */
export function calc(args: readonly string[]): Outcome {
  if (args.length === 1 && args[0] === '--cases') return sheetOfCases()
  const asked = filesOf(args, '--log')
  if (!asked) return refuse(usage)
  return outcomeOfFiles(asked.map(({ file, option }) => ({ file, ...computed(file, option) })))
}

function computed(plan: string, log: string | undefined): { document: object } | { problem: string } {
  try {
    const read = readPlanFile(contentOf(plan))
    const run = log === undefined ? undefined : readEntriesFile(contentOf(log))
    return { document: calculate(read, run, crystallisationSolvents) }
  } catch (error) {
    if (error instanceof PlanFileError) return { problem: `${plan}: ${error.message}` }
    if (error instanceof EntriesFileError) return { problem: `${log}: ${error.message}` }
    if (error instanceof UnreadableFile) return { problem: error.message }
    // A fault of ours: still without a stack, and with what was being computed.
    return { problem: `${log ?? plan}: could not be computed (${(error as Error).message}). Please report this with the file.` }
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
