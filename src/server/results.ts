import type { Figure } from '@/core/quantity/figure'
import { resultsOf } from '@/core/classroom/classResults'
import { viewSession } from './sessions'
import { foldedClass } from './foldedClass'

const withU = (figure: Figure | null | undefined) =>
  figure ? { value: figure.value, u: Math.abs(figure.u * figure.value) } : null

/** The results of a session, bench by bench, for another program. */
export async function resultsOfSession(id: string) {
  const { plan, runs } = await viewSession(id, false)
  const { rows } = resultsOf(plan, await foldedClass(plan, runs))
  return {
    session: id,
    benches: rows.map(({ id: run, bench, members, scale, limiting, judgement, outcomes }) => ({
      ...{ run, bench, scale },
      group: members,
      limitingReagent: limiting.names,
      judgement: judgement.words,
      evidence: judgement.evidence,
      results: outcomes.map((each) => ({
        result: each.quantity,
        substance: each.of,
        after: each.sample,
        of: each.from,
        wholeGrams: withU(each.whole),
        massGrams: withU(each.mass),
        dry: each.dry,
        figure: withU(each.figure),
        to: each.to ?? null,
        unit: each.unit,
        asRead: each.text,
      })),
    })),
  }
}
