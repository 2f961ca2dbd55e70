import { thisMoment } from './clock'
import { ulid } from 'ulid'
import type { FoundKind } from '@/core/classroom/findable'
import { isShown, type Entry, type EntryKind } from '@/core/run/entry'
import { entrySchema } from '@/core/run/entrySchema'
import { problemInRun } from '@/core/run/fitsStep'
import { foldRun } from '@/core/run/foldRun'
import { appendEntries, type NumberedEntry } from '@/data/entries'
import type { Person } from './actor'
import { record } from './deeds'
import { nudge } from './live'
import { Refusal } from './refusal'
import { may, type Subject } from './rights'
import { subjectOfRun, viewRun, type BenchView } from './runs'
import { runsOfSession } from './sessions'
import { checkPin } from './pins'
import { checkPassword } from './signIn'

/** What staff write into the log of a run. */
interface Written {
  step: string
  kind: EntryKind
  body: object
  supersedes?: string | null
  reason?: string | null
}

/**
 * Writes entries of staff into the log of a run, checked as every other.
 * @throws Refusal where the step takes no such thing, or its figures cannot stand
 */
async function append(
  view: BenchView,
  written: readonly Written[],
  person: Person,
  device: string,
  now: Date,
): Promise<NumberedEntry[]> {
  const { run, plan, entries } = view
  let seen = entries.at(-1)?.id
  const good = written.map((each): Entry => {
    try {
      const entry = entrySchema({
        id: ulid(now.getTime()),
        kind: each.kind,
        step: each.step,
        body: each.body,
        at: now.toISOString(),
        by: person.id,
        device,
        supersedes: each.supersedes ?? null,
        reason: each.reason ?? null,
        ...(seen === undefined ? {} : { seen }),
        clockMs: 0,
      })
      const problem = problemInRun(entry, plan, entries, 'staff')
      if (problem) throw new Refusal(400, problem)
      seen = entry.id
      return entry
    } catch (error) {
      if ((error as Error).name !== 'ValidationError') throw error
      throw new Refusal(400, (error as Error).message)
    }
  })
  const taken = await appendEntries(run, good, now)
  nudge()
  return taken
}

/** Who signs: somebody signed in on this device, or one who gives a password or a PIN for this one signature. */
export type Signer = Person | { signIn: string; password: string; from: string } | { person: string; pin: string; from: string }

/**
 * Signs every standing reading of a step, or of several. On a bench tablet the demonstrator gives name and password, or a PIN, for this one signature, and
 * the tablet stays the bench. @throws Refusal
 */
export async function signSteps(
  id: string,
  steps: readonly string[],
  signer: Signer,
  device: string,
  from: string,
  now = thisMoment(),
): Promise<NumberedEntry[]> {
  const subject = await subjectOfRun(id)
  const person = await signerOf(signer, subject, id)
  const view = await viewRun(id)
  const run = foldRun(view.plan, view.scale, view.entries)
  const signatures = steps.map((step): Written => {
    const state = run.steps.find((candidate) => candidate.step.id === step)
    if (!state?.step.witness) throw new Refusal(400, 'Nothing in this step needs a signature.')
    const covers = state.standing.filter(isShown).map((entry) => entry.id)
    if (covers.length === 0 || state.status !== 'done')
      throw new Refusal(409, 'The readings of this step are not complete yet. Sign when they are.')
    return { step, kind: 'signature', body: { covers } }
  })
  const signed = await append(view, signatures, person, device, now)
  for (const step of steps)
    await record({ what: 'signed', person: person.id, course: subject.course, about: { run: id, step }, from }, now)
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
  now = thisMoment(),
): Promise<NumberedEntry[]> {
  const view = await viewRun(id)
  const state = foldRun(view.plan, view.scale, view.entries).steps.find(({ step }) => step.id === found.step)
  const before = state?.standing.findLast(({ kind }) => kind === found.kind)
  const anew = before ? { supersedes: before.id, reason: 'found anew' } : {}
  return append(view, [{ ...found, ...anew }], person, results, now)
}

const results = 'results page'

/** Takes a run out of the figures of its class, with the reason; it stays where it is. @throws Refusal 409 where it is out already */
export async function excludeRun(id: string, reason: string, person: Person, now = thisMoment()): Promise<NumberedEntry[]> {
  const view = await viewRun(id)
  const run = foldRun(view.plan, view.scale, view.entries)
  if (run.excluded) throw new Refusal(409, 'This result does not count already.')
  return append(view, [{ step: run.steps.at(-1)!.step.id, kind: 'excluded', body: {}, reason }], person, results, now)
}

/** Lets a run count again: what took it out is struck, and can still be read. @throws Refusal 409 where it counts */
export async function includeRun(id: string, person: Person, now = thisMoment()): Promise<NumberedEntry[]> {
  const view = await viewRun(id)
  const standing = foldRun(view.plan, view.scale, view.entries).steps.flatMap((state) => [...state.earlier, ...state.standing])
  const out = standing.filter(({ kind }) => kind === 'excluded')
  if (out.length === 0) throw new Refusal(409, 'This result counts already.')
  const strikes = out.map(({ step, id: supersedes }): Written => ({
    step,
    kind: 'strike',
    body: {},
    supersedes,
    reason: 'it counts again',
  }))
  return append(view, strikes, person, results, now)
}

/** Puts a reading right after the day: a new entry with a name and a reason in the place of the old one, which stays readable. @throws Refusal */
export async function correctReading(
  id: string,
  { of, body, reason }: { of: string; body: object; reason: string },
  person: Person,
  now = thisMoment(),
): Promise<NumberedEntry[]> {
  const view = await viewRun(id)
  const standing = foldRun(view.plan, view.scale, view.entries).steps.flatMap((state) => [...state.earlier, ...state.standing])
  const old = standing.find((entry) => entry.id === of)
  if (!old) throw new Refusal(409, 'What this would correct does not stand any more. Load the page again.')
  if (!isShown(old)) throw new Refusal(400, 'Only what an instrument showed is put right; anything else is struck at the bench.')
  const { asked: _asked, ...rest } = old.body as { asked?: string }
  return append(
    view,
    [{ step: old.step, kind: old.kind, body: { ...rest, ...body }, supersedes: of, reason }],
    person,
    results,
    now,
  )
}

const board = 'the board'

/** The step that a note to a bench belongs to: the one that is now, the last where all are done. */
function stepNow(view: BenchView): string {
  const run = foldRun(view.plan, view.scale, view.entries)
  return (run.steps[run.now] ?? run.steps.at(-1)!).step.id
}

/** Says something to a bench, which it has to acknowledge. */
export async function tellBench(id: string, text: string, person: Person, now = thisMoment()): Promise<NumberedEntry[]> {
  const view = await viewRun(id)
  return append(view, [{ step: stepNow(view), kind: 'message', body: { text } }], person, board, now)
}

/** The same to every bench of a session. */
export async function tellAll(session: string, text: string, person: Person): Promise<Record<string, NumberedEntry[]>> {
  const runs = await runsOfSession(session)
  return Object.fromEntries(await Promise.all(runs.map(async (run) => [run, await tellBench(run, text, person)] as const)))
}

/** Says that somebody has been at a bench: about a hand that was up, or what happened there. */
export async function answerCall(
  id: string,
  of: string,
  text: string,
  person: Person,
  now = thisMoment(),
): Promise<NumberedEntry[]> {
  const view = await viewRun(id)
  const step = view.entries.find((entry) => entry.id === of)?.step
  if (step === undefined) throw new Refusal(404, 'This bench has not called for that.')
  return append(view, [{ step, kind: 'answer', body: { of, text } }], person, board, now)
}

/** Two groups of one session go on as one, at the first one's bench; each run says so. @throws Refusal */
export async function joinBenches(
  here: string,
  other: string,
  session: string,
  person: Person,
): Promise<Record<string, NumberedEntry[]>> {
  if (here === other) throw new Refusal(400, 'A bench joins another one.')
  const runs = await runsOfSession(session)
  if (!runs.includes(here) || !runs.includes(other)) throw new Refusal(400, 'Both benches belong to one session.')
  const [stays, goes] = await Promise.all([viewRun(here), viewRun(other)])
  for (const view of [stays, goes]) {
    const { joined } = foldRun(view.plan, view.scale, view.entries)
    if (joined && !(view === stays && joined.here))
      throw new Refusal(409, `Bench ${view.bench} is with bench ${joined.bench} already. Part them first.`)
  }
  const now = thisMoment()
  const said = (view: BenchView, bench: number, at: boolean) =>
    append(view, [{ step: stepNow(view), kind: 'joined', body: { bench, here: at } }], person, board, now)
  return { [here]: await said(stays, goes.bench, true), [other]: await said(goes, stays.bench, false) }
}

/** Groups that went on as one part again. */
export async function partBenches(id: string, session: string, person: Person): Promise<Record<string, NumberedEntry[]>> {
  const views = await Promise.all((await runsOfSession(session)).map((run) => viewRun(run)))
  const own = views.find(({ run }) => run === id)
  if (!own) throw new Refusal(400, 'Both benches belong to one session.')
  const now = thisMoment()
  const parted: Record<string, NumberedEntry[]> = {}
  for (const view of views) {
    const standing = foldRun(view.plan, view.scale, view.entries).steps.flatMap((state) => [...state.earlier, ...state.standing])
    const gone = standing.filter((entry) => entry.kind === 'joined' && (view === own || entry.body.bench === own.bench))
    if (gone.length === 0) continue
    const strikes = gone.map(({ step, id: supersedes }): Written => ({
      step,
      kind: 'strike',
      body: {},
      supersedes,
      reason: 'parted again',
    }))
    parted[view.run] = await append(view, strikes, person, board, now)
  }
  return parted
}

async function signerOf(signer: Signer, subject: Subject, run: string): Promise<Person> {
  if ('kind' in signer) return signer
  const person =
    'pin' in signer
      ? await checkPin(signer.person, signer.pin, run)
      : await checkPassword(signer.signIn, signer.password, signer.from)
  if (!may(person, 'run.sign', subject))
    throw new Refusal(403, `${person.name} may not sign readings in this course. A demonstrator does.`)
  return person
}
