import { QueryTypes } from 'sequelize'
import { madeLine } from '@/core/edit/sequence'
import type { Plan } from '@/core/plan/plan'
import { runResults } from '@/core/result/runResults'
import { foldRun } from '@/core/run/foldRun'
import { goesOnWithG } from '@/core/run/pools'
import { database } from '@/data/connect'
import { readEntries } from '@/data/entries'
import { planOfRevision, UnreadableDocument } from './documents'
import { preparationTitled } from './preparationTitled'

/** What a group got of the preparation before. */
export interface Earlier {
  title: string
  /** Grams weighed of its product. */
  massG: number
  /** Fraction of the theoretical yield, or of what was put in. */
  fraction: number
  dry: boolean
}

/** Further back than this nothing is looked for. */
const longestSequence = 12
/** Of so many runs of one preparation, the latest, a group's result is looked for. */
const runsLookedAt = 3

/**
 * What groups weighed of the preparations that lead to a plan, the nearest first: for each, its last run of it before that time that has a result.
 * Ends where the plan begins from the bottle or no group has run a preparation. The same few statements for each preparation, however many groups and years there are.
 */
export async function earlierProducts(
  course: string,
  plan: Plan,
  groups: readonly string[],
  before: Date,
): Promise<Record<string, Earlier[]>> {
  const found: Record<string, Earlier[]> = Object.fromEntries(groups.map((group) => [group, []]))
  const seen = new Set<string>()
  let left = [...groups]
  let title = madeLine(plan)?.madeIn
  while (title !== undefined && left.length > 0 && seen.size < longestSequence) {
    const preparation = await preparationTitled(course, title)
    if (preparation === null || seen.has(preparation)) break
    seen.add(preparation)
    const last = await lastResults(preparation, left, before)
    for (const [group, { earlier }] of last) found[group]!.push(earlier)
    left = left.filter((group) => last.has(group))
    const [one] = last.values()
    title = one && madeLine(one.plan)?.madeIn
  }
  return found
}

interface RunRow {
  id: string
  group: string
  scale: number
  revision: string
}

/** The last result of each group in a preparation before a time, whatever it was called then. */
async function lastResults(
  preparation: string,
  groups: readonly string[],
  before: Date,
): Promise<Map<string, { earlier: Earlier; plan: Plan }>> {
  const rows = await database().query<RunRow>(
    `SELECT id, \`group\`, scale, revision FROM (
       SELECT run.id, run.student_group AS \`group\`, run.scale, r.id AS revision,
         ROW_NUMBER() OVER (PARTITION BY run.student_group ORDER BY l.starts_at DESC, l.id DESC) AS nth
       FROM revision r JOIN lab_session l ON l.revision = r.id JOIN run ON run.session = l.id
       WHERE r.preparation = :preparation AND l.starts_at < :before AND run.student_group IN (:groups)
     ) ranked WHERE nth <= :most ORDER BY nth`,
    { replacements: { preparation, before, groups: [...groups], most: runsLookedAt }, type: QueryTypes.SELECT },
  )
  const entries = await readEntries(rows.map(({ id }) => id))
  const found = new Map<string, { earlier: Earlier; plan: Plan }>()
  for (const { id, group, scale, revision } of rows) {
    if (found.has(group)) continue
    try {
      const plan = await planOfRevision(revision)
      const state = foldRun(plan, scale, entries[id]!)
      const { result } = runResults(state)
      const sample = result && state.samples[result.sample]
      if (sample)
        found.set(group, {
          plan,
          earlier: {
            title: plan.title,
            massG: goesOnWithG(sample.mass.value, state.pools[result.sample]),
            fraction: result.figure.value,
            dry: sample.dry,
          },
        })
    } catch (error) {
      if (!(error instanceof UnreadableDocument)) throw error
    }
  }
  return found
}
