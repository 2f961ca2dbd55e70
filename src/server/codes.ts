import { randomInt } from 'node:crypto'
import { Run, RunDay } from '@/data/models'
import { recheck } from './live'

/** Without the letters and digits that are mistaken for each other. */
const alphabet = '23456789ABCDEFGHJKLMNPQRSTUVWXYZ'

/** A bench code of six signs: 32⁶, about 10⁹ codes, behind a limit on attempts. Codes for reading have eight, so that the two cannot be taken for each other. */
function benchCode(pick: () => number, signs = 6): string {
  return Array.from({ length: signs }, () => alphabet[pick()]).join('')
}

export const newCode = () => benchCode(() => randomInt(alphabet.length))
export const newReadCode = () => benchCode(() => randomInt(alphabet.length), 8)

/** Gives a run a new code for its bench, on a later day where one is named: what was opened with the old one ends, and what a tablet had written still comes in with the new. */
export async function newBenchCode(run: string, day?: string): Promise<{ code: string }> {
  const code = newCode()
  const [changed] = day === undefined ? [0] : await RunDay.update({ code }, { where: { run, session: day } })
  if (changed === 0) await Run.update({ code }, { where: { id: run } })
  await recheck()
  return { code }
}
