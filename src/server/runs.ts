import { thisMoment } from './clock'
import type { Entry } from '@/core/run/entry'
import { isWrittenAtBench } from '@/core/measurements/registry'
import { entrySchema } from '@/core/run/entrySchema'
import { needsOthers, problemInRun } from '@/core/run/fitsStep'
import type { Lab } from '@/core/lab/lab'
import type { Plan } from '@/core/plan/plan'
import { appendEntries, boundsOfBench, readEntries, UnknownEntryError, type NumberedEntry } from '@/data/entries'
import { placesOfRuns, type PlaceOfRun } from '@/data/people'
import type { BenchActor } from './actor'
import { planOfRevision } from './documents'
import { labFrom } from './laboratory'
import { nudge } from './live'
import { Refusal } from './refusal'
import type { Actor, Subject } from './rights'

export interface BenchView {
  run: string
  bench: number
  members: string
  scale: number
  plan: Plan
  entries: NumberedEntry[]
  startsAt: string
  days: { startsAt: string; endsAt: string }[]
  section: string
  zone: string
  lab: Lab
  revision: string
  readCode: string | null
}

/** A run with what it belongs to, once for each of its days. */
async function placesOf(run: string): Promise<[PlaceOfRun, ...PlaceOfRun[]]> {
  const [first, ...later] = await placesOfRuns({ ids: [run] })
  if (!first) throw new Refusal(404, 'There is no such run.')
  return [first, ...later]
}

const placeOf = async (run: string): Promise<PlaceOfRun> => (await placesOf(run))[0]

/** The course behind a run; the run's own bench knows it already. */
export async function subjectOfRun(id: string, people: readonly (Actor | null)[] = []): Promise<Subject> {
  const bench = people.find((actor): actor is BenchActor => actor?.kind === 'bench' && actor.run === id)
  return { course: bench?.course ?? (await placeOf(id)).course, run: id }
}

/** One run as the bench shows it. */
export async function viewRun(id: string): Promise<BenchView> {
  const days = await placesOf(id)
  const { bench, members, scale, section, zone, lab, revision, startsAt, readCode } = days[0]
  return {
    run: id,
    plan: await planOfRevision(revision),
    entries: (await readEntries([id]))[id]!,
    startsAt: startsAt.toISOString(),
    days: days.map((day) => ({ startsAt: day.startsAt.toISOString(), endsAt: day.endsAt.toISOString() })),
    lab: labFrom(lab),
    ...{ bench, members, scale, section, zone, revision, readCode },
  }
}

/** An entry that is not taken, and why; the others of its batch are. */
export interface Refused {
  id: string
  why: string
}

/** A tablet's clock may go a little faster than the server's. */
const clockAheadMs = 10_000

/**
 * Adds a batch of entries from a bench to its log, each checked against its kind and the step it belongs to. The writer's name comes from
 * the bench, not from the request, and how far the tablet's clock is off from when it says it sent them. One that cannot be taken does not hold back the others.
 * @throws Refusal, FloodError
 */
export async function writeEntries(
  id: string,
  documents: readonly unknown[],
  bench: BenchActor,
  { sentAt, now = thisMoment() }: { sentAt?: string | undefined; now?: Date } = {},
): Promise<{ entries: NumberedEntry[]; refused: Refused[] }> {
  const plan = await planOfRun(id)
  const clockMs = sentAt === undefined ? undefined : Math.round(Date.parse(sentAt) - now.getTime())
  const off = Number.isFinite(clockMs) && Math.abs(clockMs!) < 2_000_000_000 ? clockMs! : undefined
  const refused: Refused[] = []
  let good: Entry[] = []
  let known: readonly Entry[] | undefined
  for (const document of documents) {
    try {
      const entry = entrySchema(document)
      if (needsOthers(entry)) known ??= (await readEntries([id]))[id]!
      const at = Date.parse(entry.at) - (off ?? 0)
      const problem = !isWrittenAtBench(entry.kind)
        ? 'A bench cannot sign, nor write what staff find: a demonstrator does.'
        : at > bench.writesUntil + clockAheadMs
          ? 'This was written after the session had closed. Tell the demonstrator what it says.'
          : problemInRun(entry, plan, [...(known ?? []), ...good], 'bench')
      if (problem) throw new Refusal(400, problem)
      const { clockMs: _claimed, ...rest } = entry
      good.push({
        ...rest,
        // Names stand beside the log, where they can be forgotten.
        by: `Bench ${bench.bench}`,
        ...(off === undefined ? {} : { clockMs: off }),
      } as Entry)
    } catch (error) {
      // A body without an id can only be refused as a whole.
      const { id: own } = (document ?? {}) as { id?: unknown }
      if (typeof own !== 'string' || own.length > 40) throw error
      if (!(error instanceof Refusal) && (error as Error).name !== 'ValidationError') throw error
      refused.push({ id: own, why: (error as Error).message })
    }
  }
  for (;;) {
    if (good.length === 0) return { entries: [], refused }
    try {
      const entries = await appendEntries(id, good, now, boundsOfBench)
      nudge()
      return { entries, refused }
    } catch (error) {
      if (!(error instanceof UnknownEntryError)) throw error
      const lost = good.filter((entry) => entry.supersedes !== null && error.ids.includes(entry.supersedes))
      if (lost.length === 0) throw error
      for (const entry of lost)
        refused.push({ id: entry.id, why: 'What this takes the place of does not stand in this step of the book.' })
      good = good.filter((entry) => !lost.includes(entry))
    }
  }
}

/** The revision of each run, which never changes: it spares the statement that would ask for it at every entry. */
const revisions = new Map<string, string>()

async function planOfRun(id: string): Promise<Plan> {
  let revision = revisions.get(id)
  if (revision === undefined) {
    revision = (await placeOf(id)).revision
    if (revisions.size > 5000) revisions.clear()
    revisions.set(id, revision)
  }
  return planOfRevision(revision)
}
