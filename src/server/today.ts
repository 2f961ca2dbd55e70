import { uncapital } from '@/core/words/capital'
import { queriesOf } from '@/core/query/queries'
import { foldRun } from '@/core/run/foldRun'
import { runResults } from '@/core/result/runResults'
import { planOfRevision, UnreadableDocument } from './documents'
import { labOfCourse } from './laboratory'
import { listPreparations } from './preparationLists'
import { may, type Actor } from './rights'
import { settingOutView } from './settingOut'
import { sessionsAround, viewSession, type SessionHead } from './sessions'
import { slowly } from './slowly'

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

/**
 * What is on in a course at a moment: the sessions now, the next one, and what waits for a decision of this person. The same number of statements whatever lies behind it.
 */
export async function today(course: string, reader: Actor, at: Date): Promise<Today> {
  const { now, next, last } = await sessionsAround(course, at)
  const reads = may(reader, 'run.read', { course })
  const writes = may(reader, 'plan.write', { course })
  const waiting = await Promise.all([
    ...(reads ? now.map((head) => orSaid(head, signaturesDue(head))) : []),
    ...(reads && last ? [orSaid(last, resultsToJudge(last))] : []),
    ...(reads && next ? [orSaid(next, notReady(next))] : []),
    ...(may(reader, 'shelf.write', { course }) && next ? [orSaid(next, notSetOut(next))] : []),
    ...(writes ? [documentsOpen(course, reader)] : []),
  ])
  return { now, next, last, waiting: waiting.flat() }
}

/** A plan that cannot be read is one line of what waits, and takes nothing else with it. */
async function orSaid(head: SessionHead, waiting: Promise<Waiting[]>): Promise<Waiting[]> {
  try {
    return await waiting
  } catch (error) {
    if (!(error instanceof UnreadableDocument)) throw error
    return [
      {
        words: `The plan of ${head.title} cannot be read`,
        why: error.message,
        href: `/desk/${head.revision.preparation}`,
        level: 'danger',
      },
    ]
  }
}

async function signaturesDue(head: SessionHead): Promise<Waiting[]> {
  const { plan, runs } = await viewSession(head.id, false)
  const due = await slowly(runs, (run) =>
    foldRun(plan, run.scale, run.entries).steps.flatMap(({ signature, step }): Waiting[] =>
      signature.state !== 'due' && signature.state !== 'void'
        ? []
        : [
            {
              words: `Bench ${run.bench} waits for a signature`,
              why: `${step.title}, ${run.members}${signature.state === 'void' ? '; the earlier signature is void' : ''}`,
              href: `/class/${head.id}`,
              level: 'doubt',
            },
          ],
    ),
  )
  return due.flat()
}

async function resultsToJudge(head: SessionHead): Promise<Waiting[]> {
  const { plan, runs } = await viewSession(head.id, false)
  const judged = await slowly(runs, (run): Waiting[] => {
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
  return judged.flat()
}

async function notReady(head: SessionHead): Promise<Waiting[]> {
  const plan = await planOfRevision(head.revision.id)
  const open = queriesOf(plan, undefined, await labOfCourse(head.course)).filter(({ answer }) => answer === undefined)
  const found: Waiting[] = open.map((query) => ({
    words: `${head.title}: ${uncapital(query.title)}`,
    why: 'A query on the plan of the next session has no answer.',
    href: `/desk/${head.revision.preparation}`,
    level: 'doubt',
  }))
  if (head.revision.state === 'superseded') {
    found.push({
      words: `${head.title} has a newer plan`,
      why: `The next session is set with revision ${head.revision.number}, which has been superseded.`,
      href: `/desk/${head.revision.preparation}`,
      level: 'open',
    })
  }
  return found
}

/** What is not set out for the next session, what the shelf has not enough of first. */
async function notSetOut(head: SessionHead): Promise<Waiting[]> {
  const { rows, things, records } = await settingOutView(head.id, await labOfCourse(head.course))
  const short = rows.filter((row) => row.short > 0).map(({ name }) => name)
  const all = rows.filter(({ madeIn }) => madeIn === null).length + things.length
  const done = records.filter((record) => record.kind === 'tick' && 'done' in record.body && record.body.done).length
  const [title, href] = [`${head.title}, ${head.section}`, `/stores/${head.id}`]
  return [
    ...(short.length > 0
      ? [
          {
            words: `${title}: not enough of ${short.join(', ')}`,
            why: 'The shelf has less than the next session needs.',
            href,
            level: 'danger' as const,
          },
        ]
      : []),
    ...(done < all
      ? [
          {
            words: `${title}: ${done} of ${all} set out`,
            why: 'The next session is not set out yet.',
            href,
            level: 'open' as const,
          },
        ]
      : []),
  ]
}

/** Drafts that are not published, and documents that cannot be read. */
async function documentsOpen(course: string, reader: Actor): Promise<Waiting[]> {
  const preparations = await listPreparations(course, reader)
  return preparations.flatMap(({ id, title, draft, archived, fault }): Waiting[] => {
    if (archived) return []
    const href = `/desk/${id}`
    if (fault !== null) return [{ words: `${title} cannot be read`, why: fault, href, level: 'danger' }]
    if (!draft) return []
    return [
      {
        words: `${title}, draft ${draft.number}, is not published`,
        why: 'A lab session can be set with it once it is.',
        href,
        level: 'open',
      },
    ]
  })
}
