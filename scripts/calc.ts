import { readFileSync } from 'node:fs'
import { EntriesFileError, readEntriesFile } from '@/core/format/entriesFile'
import { PlanFileError, readPlanFile } from '@/core/format/planFile'
import { calculate } from '@/core/format/calculation'
import { crystallisationSolvents } from '@/reference/records'

/** `mozle calc PLAN [--log ENTRIES]`: prints what core computes as JSON; exit code 2 with a readable error on a bad file. */
export async function calc(args: string[]): Promise<void> {
  const files = args.filter((_, index) => args[index] !== '--log' && args[index - 1] !== '--log')
  const log = args.includes('--log') ? args[args.indexOf('--log') + 1] : undefined
  if (files.length !== 1 || (args.includes('--log') && log === undefined)) {
    return refuse('usage: ./mozle calc PLAN [--log ENTRIES]')
  }
  try {
    const plan = readPlanFile(readFileSync(files[0]!, 'utf8'))
    const run = log === undefined ? undefined : readEntriesFile(readFileSync(log, 'utf8'))
    process.stdout.write(`${JSON.stringify(calculate(plan, run, crystallisationSolvents), null, 2)}\n`)
  } catch (error) {
    if (error instanceof PlanFileError) return refuse(`${files[0]}: ${error.message}`)
    if (error instanceof EntriesFileError) return refuse(`${log}: ${error.message}`)
    const { code, path } = error as NodeJS.ErrnoException
    if (code === 'ENOENT' || code === 'EISDIR' || code === 'EACCES')
      return refuse(`${path ?? files[0]}: cannot be read (${code}).`)
    throw error
  }
}

function refuse(message: string): void {
  process.stderr.write(`${message}\n`)
  process.exitCode = 2
}
