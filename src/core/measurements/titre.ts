import type { Measurement, Standing } from './measurement'
import { readingsIn, type NumberBody } from './numbers'

/** What ran out of the burette each time, mL, in their order: a reading before and the one after it. */
export function titresOf(standing: readonly Standing[]): number[] {
  const after = readingsIn(standing, 'burette after')
  return readingsIn(standing, 'burette before').flatMap(({ body }, index) => {
    const end = after[index]
    return end ? [Number((end.body.value - body.value).toFixed(6))] : []
  })
}

/** The burette before and after each titration, until the group has enough that agree. */
export const titre: Measurement = {
  written: () => 'burette before and after, until two agree',
  numbers: {
    'burette before': { unit: 'mL', label: 'Burette before' },
    'burette after': { unit: 'mL', label: 'Burette after' },
  },
  due: ({ standing }) => {
    const [before, after] = [readingsIn(standing, 'burette before').length, readingsIn(standing, 'burette after').length]
    const first = before === after
    return {
      kind: 'reading',
      slot: first ? 'burette before' : 'burette after',
      label: `Burette ${first ? 'before' : 'after'}, titration ${after + 1}`,
      hint: 'Bottom of the meniscus, to half a graduation.',
      unit: 'mL',
      decimals: 2,
      ...(first && after > 0 ? { also: [{ label: 'No further titration' }] } : {}),
    }
  },
  question: (entry, { standing }) => {
    if (entry.kind !== 'reading' || (entry.body as NumberBody).slot !== 'burette after') return null
    const last = titresOf(standing).at(-1)
    return last !== undefined && last <= 0
      ? 'A burette’s scale begins at the top: after a titration it shows more than before. Are the two readings swapped?'
      : null
  },
}
