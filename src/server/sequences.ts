import { Op } from 'sequelize'
import { readPlanFile } from '@/core/format/planFile'
import { madeLine } from '@/core/plan/sequence'
import type { Plan } from '@/core/plan/plan'
import { runResults } from '@/core/result/runResults'
import { foldRun } from '@/core/run/foldRun'
import { readEntries } from '@/data/entries'
import { LabSession, Preparation, Revision, Run } from '@/data/models'

/** What a group got of the preparation before. */
export interface Earlier {
  title: string
  /** Grams weighed of its product. */
  massG: number
  /** Fraction of the theoretical yield, or of what was put in. */
  fraction: number
  dry: boolean
}

/**
 * What a group weighed of the preparations that lead to a plan, the nearest first: for each, its last run of it before that time that has a result.
 * Ends where the plan begins from the bottle or a preparation was not run.
 */
export async function earlierProducts(course: string, plan: Plan, group: string, before: Date): Promise<Earlier[]> {
  const found: Earlier[] = []
  const seen = new Set<string>([plan.title])
  for (let title = madeLine(plan)?.madeIn; title !== undefined && !seen.has(title);) {
    seen.add(title)
    const last = await lastRun(course, title, group, before)
    if (!last) break
    found.push(last.earlier)
    title = madeLine(last.plan)?.madeIn
  }
  return found
}

async function lastRun(
  course: string,
  title: string,
  group: string,
  before: Date,
): Promise<{ earlier: Earlier; plan: Plan } | null> {
  const preparations = await Preparation.findAll({ where: { course, title } })
  const revisions = await Revision.findAll({ where: { preparation: preparations.map(({ id }) => id) } })
  const sessions = await LabSession.findAll({
    where: { revision: revisions.map(({ id }) => id), startsAt: { [Op.lt]: before } },
    order: [['startsAt', 'DESC']],
  })
  const runs = await Run.findAll({ where: { session: sessions.map(({ id }) => id), studentGroup: group } })
  for (const session of sessions) {
    const run = runs.find((each) => each.session === session.id)
    if (!run) continue
    const plan = readPlanFile(revisions.find(({ id }) => id === session.revision)!.plan)
    const state = foldRun(plan, run.scale, (await readEntries([run.id]))[run.id]!)
    const { result } = runResults(state)
    const sample = result && state.samples[result.sample]
    if (sample) return { plan, earlier: { title, massG: sample.mass.value, fraction: result.figure.value, dry: sample.dry } }
  }
  return null
}
