import { ulid } from 'ulid'
import { isShown, type Entry } from '@/core/run/entry'
import type { FoundKind } from '@/core/classroom/findable'
import { isWrittenAtBench } from '@/core/measurements/registry'
import { entrySchema } from '@/core/run/entrySchema'
import { needsOthers, problemInRun, problemWith } from '@/core/run/fitsStep'
import { foldRun } from '@/core/run/foldRun'
import type { Lab } from '@/core/lab/lab'
import type { Plan } from '@/core/plan/plan'
import { appendEntries, readEntries, UnknownEntryError, type NumberedEntry } from '@/data/entries'
import { placesOfRuns, type PlaceOfRun } from '@/data/people'
import type { BenchActor, Person } from './actor'
import { planOfRevision } from './documents'
import { labFrom } from './laboratory'
import { nudge } from './live'
import { record } from './deeds'
import { Refusal } from './refusal'
import { may, type Actor, type Subject } from './rights'
import { checkPassword } from './signIn'

export interface BenchView {
  run: string
  bench: number
  members: string
  scale: number
  plan: Plan
  entries: NumberedEntry[]
  startsAt: string
  section: string
  zone: string
  lab: Lab
  revision: string
  readCode: string | null
}

async function placeOf(run: string): Promise<PlaceOfRun> {
  const [place] = await placesOfRuns({ ids: [run] })
  if (!place) throw new Refusal(404, 'There is no such run.')
  return place
}

/** The course behind a run; the run's own bench knows it already. */
export async function subjectOfRun(id: string, people: readonly (Actor | null)[] = []): Promise<Subject> {
  const bench = people.find((actor): actor is BenchActor => actor?.kind === 'bench' && actor.run === id)
  return { course: bench?.course ?? (await placeOf(id)).course, run: id }
}

/** One run as the bench shows it. */
export async function viewRun(id: string): Promise<BenchView> {
  const place = await placeOf(id)
  const { bench, members, scale, section, zone, lab, revision, startsAt, readCode } = place
  return {
    run: id,
    plan: await planOfRevision(revision),
    entries: (await readEntries([id]))[id]!,
    startsAt: startsAt.toISOString(),
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
  { sentAt, now = new Date() }: { sentAt?: string | undefined; now?: Date } = {},
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
      const entries = await appendEntries(id, good, now)
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

/**
 * Signs every standing reading of a step. On a bench tablet the demonstrator gives name and password for this one signature, and
 * the tablet stays the bench. @throws Refusal
 */
export async function signStep(
  id: string,
  step: string,
  signer: Person | { signIn: string; password: string; from: string },
  device: string,
  from: string,
  now = new Date(),
): Promise<NumberedEntry[]> {
  const subject = await subjectOfRun(id)
  const person = 'kind' in signer ? signer : await signerByPassword(signer, subject)
  const view = await viewRun(id)
  const state = foldRun(view.plan, view.scale, view.entries).steps.find((candidate) => candidate.step.id === step)
  if (!state?.step.witness) throw new Refusal(400, 'Nothing in this step needs a signature.')
  const covers = state.standing.filter(isShown).map((entry) => entry.id)
  if (covers.length === 0 || state.status !== 'done')
    throw new Refusal(409, 'The readings of this step are not complete yet. Sign when they are.')
  const last = view.entries.at(-1)
  const entry: Entry<'signature'> = {
    id: ulid(now.getTime()),
    kind: 'signature',
    step,
    body: { covers },
    at: now.toISOString(),
    by: person.id,
    device,
    supersedes: null,
    reason: null,
    ...(last ? { seen: last.id } : {}),
    clockMs: 0,
  }
  const signed = await appendEntries(id, [entry], now)
  await record({ what: 'signed', person: person.id, course: subject.course, about: { run: id, step }, from }, now)
  nudge()
  return signed
}

/**
 * Writes what staff found of a sample into the log of its run; one that stands is superseded. The last one written counts, at whatever day.
 * @throws Refusal where the step takes no such thing, or its figures cannot stand
 */
export async function writeFinding(
  id: string,
  found: { step: string; kind: FoundKind; body: object },
  person: Person,
  now = new Date(),
): Promise<NumberedEntry[]> {
  const view = await viewRun(id)
  const state = foldRun(view.plan, view.scale, view.entries).steps.find(({ step }) => step.id === found.step)
  if (!state) throw new Refusal(400, `The plan has no step “${found.step}”.`)
  const before = state.standing.findLast(({ kind }) => kind === found.kind)
  const last = view.entries.at(-1)
  let entry: Entry
  try {
    entry = entrySchema({
      id: ulid(now.getTime()),
      ...found,
      at: now.toISOString(),
      by: person.id,
      device: 'results page',
      supersedes: before?.id ?? null,
      reason: before ? 'found anew' : null,
      ...(last ? { seen: last.id } : {}),
      clockMs: 0,
    })
  } catch (error) {
    if ((error as Error).name !== 'ValidationError') throw error
    throw new Refusal(400, (error as Error).message)
  }
  const problem = problemWith(entry, state.step)
  if (problem) throw new Refusal(400, problem)
  const written = await appendEntries(id, [entry], now)
  nudge()
  return written
}

async function signerByPassword(
  { signIn, password, from }: { signIn: string; password: string; from: string },
  subject: Subject,
): Promise<Person> {
  const person = await checkPassword(signIn, password, from)
  if (!may(person, 'run.sign', subject))
    throw new Refusal(403, `${person.name} may not sign readings in this course. A demonstrator does.`)
  return person
}
