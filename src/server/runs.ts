import { readPlanFile } from '@/core/format/planFile'
import { ulid } from 'ulid'
import { isShown, type Entry } from '@/core/run/entry'
import { foldRun } from '@/core/run/foldRun'
import { entrySchema } from '@/core/run/entrySchema'
import type { Plan } from '@/core/plan/plan'
import { appendEntries, readEntries, type NumberedEntry } from '@/data/entries'
import { Membership, Revision, Run } from '@/data/models'
import type { Lab } from '@/core/lab/lab'
import { courseOfRun } from './actor'
import { labFrom } from './laboratory'
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
}

export async function subjectOfRun(id: string): Promise<Subject> {
  const run = await Run.findByPk(id)
  if (!run) throw new Refusal(404, 'There is no such run.')
  return { course: (await courseOfRun(run)).course.id, run: id }
}

/** One run as the bench shows it. */
export async function viewRun(id: string): Promise<BenchView> {
  const run = await Run.findByPk(id, { rejectOnEmpty: true })
  const { session, section, zone, course } = await courseOfRun(run)
  const revision = await Revision.findByPk(session.revision, { rejectOnEmpty: true })
  return {
    run: id,
    bench: run.bench,
    members: run.members,
    scale: run.scale,
    plan: readPlanFile(revision.plan),
    entries: (await readEntries([id]))[id]!,
    startsAt: session.startsAt.toISOString(),
    section: section.name,
    zone,
    lab: labFrom(course.lab),
  }
}

/** The kinds that a bench may write; a signature is written by whoever signs. */
const benchKinds = ['reading', 'melting', 'head', 'window', 'press', 'tube', 'note', 'done', 'strike']

/**
 * Adds a batch of entries from a bench to its log, each checked against its kind and the plan's steps. The writer's name comes from
 * the bench, not from the request. @throws ValidationError, Refusal
 */
export async function writeEntries(
  id: string,
  documents: readonly unknown[],
  bench: Actor & { kind: 'bench' },
  now = new Date(),
): Promise<NumberedEntry[]> {
  const { plan } = await viewRun(id)
  const steps = new Set(plan.steps.map((step) => step.id))
  const entries = documents.map((document) => {
    const entry = entrySchema(document)
    if (!benchKinds.includes(entry.kind)) throw new Refusal(403, 'A bench cannot sign: a demonstrator does.')
    if (!steps.has(entry.step)) throw new Refusal(400, `The plan has no step “${entry.step}”.`)
    return { ...entry, by: `Bench ${bench.bench}: ${bench.members}`.slice(0, 80) } as Entry
  })
  return appendEntries(id, entries, now)
}

/**
 * Signs every standing reading of a step. On a bench tablet the demonstrator gives name and password for this one signature, and
 * the tablet stays the bench. @throws Refusal
 */
export async function signStep(
  id: string,
  step: string,
  signer: (Actor & { kind: 'user' }) | { signIn: string; password: string },
  device: string,
  now = new Date(),
): Promise<NumberedEntry[]> {
  const person = 'kind' in signer ? signer : await signerByPassword(signer, await subjectOfRun(id))
  const view = await viewRun(id)
  const state = foldRun(view.plan, view.scale, view.entries).steps.find((candidate) => candidate.step.id === step)
  if (!state?.step.witness) throw new Refusal(400, 'Nothing in this step needs a signature.')
  const covers = state.standing.filter(isShown).map((entry) => entry.id)
  if (covers.length === 0 || state.status !== 'done')
    throw new Refusal(409, 'The readings of this step are not complete yet. Sign when they are.')
  const entry: Entry<'signature'> = {
    id: ulid(now.getTime()),
    kind: 'signature',
    step,
    body: { covers },
    at: now.toISOString(),
    by: person.name,
    device,
    supersedes: null,
    reason: null,
  }
  return appendEntries(id, [entry], now)
}

async function signerByPassword(
  { signIn, password }: { signIn: string; password: string },
  subject: Subject,
): Promise<Actor & { kind: 'user' }> {
  const user = await checkPassword(signIn, password)
  const memberships = await Membership.findAll({ where: { user: user.id } })
  const actor = {
    kind: 'user' as const,
    id: user.id,
    name: user.name,
    roles: Object.fromEntries(memberships.map(({ course, role }) => [course, role])),
  }
  if (!may(actor, 'run.sign', subject))
    throw new Refusal(403, `${user.name} may not sign readings in this course. A demonstrator does.`)
  return actor
}
