import { readPlanFile } from '@/core/format/planFile'
import { queriesOf } from '@/core/query/queries'
import { foldRun } from '@/core/run/foldRun'
import { runResults } from '@/core/result/runResults'
import { Preparation, Revision } from '@/data/models'
import { listSessions, viewSession, type SessionHead } from './sessions'

/** Something that waits for the person who opens the program, with the place to deal with it. */
export interface Waiting {
  /** What it is, in words. */
  words: string
  why: string
  href: string
  level: 'good' | 'doubt' | 'danger' | 'open'
}

export interface Today {
  now: SessionHead[]
  next: SessionHead | null
  last: SessionHead | null
  waiting: Waiting[]
}

/** What is on in a course at a moment: the sessions now, the next one, and what waits for a decision. */
export async function today(course: string, at: Date): Promise<Today> {
  const sessions = await listSessions(course)
  const iso = at.toISOString()
  const now = sessions.filter(({ startsAt, endsAt }) => startsAt <= iso && iso <= endsAt)
  const next = sessions.find(({ startsAt }) => startsAt > iso) ?? null
  const last = sessions.filter(({ endsAt }) => endsAt < iso).at(-1) ?? null
  return {
    now,
    next,
    last,
    waiting: [
      ...(await signaturesDue(now)),
      ...(last ? await resultsToJudge(last) : []),
      ...(next ? await notReady(next) : []),
      ...(await draftsOpen(course)),
    ],
  }
}

async function signaturesDue(sessions: SessionHead[]): Promise<Waiting[]> {
  const found: Waiting[] = []
  for (const head of sessions) {
    const { plan, runs } = await viewSession(head.id, false)
    for (const run of runs) {
      for (const { signature, step } of foldRun(plan, run.scale, run.entries).steps) {
        if (signature.state !== 'due' && signature.state !== 'void') continue
        found.push({
          words: `Bench ${run.bench} waits for a signature`,
          why: `${step.title}, ${run.members}${signature.state === 'void' ? '; the earlier signature is void' : ''}`,
          href: `/class/${head.id}`,
          level: 'doubt',
        })
      }
    }
  }
  return found
}

async function resultsToJudge(head: SessionHead): Promise<Waiting[]> {
  const { plan, runs } = await viewSession(head.id, false)
  return runs.flatMap((run): Waiting[] => {
    const { judgement } = runResults(foldRun(plan, run.scale, run.entries))
    if (judgement.level === 'good') return []
    return [
      {
        words: `Bench ${run.bench}: ${judgement.words}`,
        why: `${head.title}, ${head.section}, ${run.members}`,
        href: `/class/${head.id}/results`,
        level: judgement.level,
      },
    ]
  })
}

async function notReady(head: SessionHead): Promise<Waiting[]> {
  const revision = await Revision.findOne({
    where: { preparation: head.revision.preparation, number: head.revision.number },
    rejectOnEmpty: true,
  })
  const open = queriesOf(readPlanFile(revision.plan)).filter(({ answer }) => answer === undefined)
  const found: Waiting[] = open.map((query) => ({
    words: `${head.title}: ${query.title.toLowerCase()}`,
    why: 'A query on the plan of the next session has no answer.',
    href: `/desk/${head.revision.preparation}`,
    level: 'doubt',
  }))
  if (revision.state === 'superseded') {
    found.push({
      words: `${head.title} has a newer plan`,
      why: `The next session is set with revision ${revision.number}, which has been superseded.`,
      href: `/desk/${head.revision.preparation}`,
      level: 'open',
    })
  }
  return found
}

async function draftsOpen(course: string): Promise<Waiting[]> {
  const preparations = await Preparation.findAll({ where: { course, archivedAt: null } })
  const drafts = await Revision.findAll({ where: { preparation: preparations.map(({ id }) => id), state: 'draft' } })
  return drafts.map((draft) => ({
    words: `${readPlanFile(draft.plan).title}, draft ${draft.number}, is not published`,
    why: 'A lab session can be set with it once it is.',
    href: `/desk/${draft.preparation}`,
    level: 'open',
  }))
}
