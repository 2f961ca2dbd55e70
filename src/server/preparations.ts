import type { Transaction } from 'sequelize'
import { ulid } from 'ulid'
import { checkPlan, writePlanFile } from '@/core/format/planFile'
import type { Plan } from '@/core/plan/plan'
import { madeLine } from '@/core/edit/sequence'
import { transacted } from '@/data/connect'
import { Draft, Preparation, Revision, User } from '@/data/models'
import { takeTurn } from '@/data/turns'
import { readDocument, UnreadableDocument } from './documents'
import { Refusal } from './refusal'
import { may, type Actor, type Subject } from './rights'

export interface RevisionView {
  id: string
  number: number
  state: 'draft' | Revision['state']
  version: number
  savedAt: string
  savedBy: string
  publishedAt: string | null
  publishedBy: string | null
  plan: Plan
}

async function preparationOf(id: string): Promise<Preparation> {
  const preparation = await Preparation.findByPk(id)
  if (!preparation) throw new Refusal(404, 'There is no such preparation.')
  return preparation
}

/** A published revision or a draft, whichever has this id. */
async function documentOf(id: string): Promise<Revision | Draft> {
  const found = (await Revision.findByPk(id)) ?? (await Draft.findByPk(id))
  if (!found) throw new Refusal(404, 'There is no such revision.')
  return found
}

export async function subjectOfPreparation(id: string): Promise<Subject> {
  return { course: (await preparationOf(id)).course }
}

export async function subjectOfRevision(id: string): Promise<Subject> {
  return subjectOfPreparation((await documentOf(id)).preparation)
}

const stateOf = (row: Revision | Draft): RevisionView['state'] => (row instanceof Draft ? 'draft' : row.state)

/** Whether this person may read drafts of the course: only those who write them. Decided here, where they are read. */
const readsDrafts = (reader: Actor | null, course: string) => may(reader, 'plan.write', { course })

async function view(row: Revision | Draft): Promise<RevisionView> {
  const [publishedAt, publishedBy] = row instanceof Draft ? [null, null] : [row.publishedAt, row.publishedBy]
  const [saver, publisher] = await Promise.all([row.savedBy, publishedBy].map((id) => (id ? User.findByPk(id) : null)))
  return {
    id: row.id,
    number: row.number,
    state: stateOf(row),
    version: row.version,
    savedAt: row.savedAt.toISOString(),
    savedBy: saver?.name ?? '',
    publishedAt: publishedAt?.toISOString() ?? null,
    publishedBy: publisher?.name ?? null,
    plan: await readDocument(row),
  }
}

/** A preparation as a list shows it: no document is read for it. */
export interface ListedPreparation {
  id: string
  title: string
  aim: string
  archived: boolean
  draft: { number: number; savedAt: string } | null
  published: { id: string; number: number; at: string } | null
  /** Why its newest document cannot be read, where that was found. */
  fault: string | null
}

/** The preparations of a course by title: for those who write, as their drafts have them; for everybody else only what is published. */
export async function listPreparations(course: string, reader: Actor | null): Promise<ListedPreparation[]> {
  const drafts = readsDrafts(reader, course)
  const preparations = await Preparation.findAll({ where: { course } })
  const where = { preparation: preparations.map(({ id }) => id) }
  const columns = ['id', 'preparation', 'number', 'title', 'aim', 'fault']
  const [published, open] = await Promise.all([
    Revision.findAll({ where: { ...where, state: 'published' }, attributes: [...columns, 'publishedAt'] }),
    drafts ? Draft.findAll({ where, attributes: [...columns, 'savedAt'] }) : [],
  ])
  return preparations
    .flatMap(({ id, archivedAt }): ListedPreparation[] => {
      const revision = published.find(({ preparation }) => preparation === id)
      const draft = open.find(({ preparation }) => preparation === id)
      const newest = draft ?? revision
      if (!newest || (archivedAt !== null && !drafts)) return []
      const { title, aim, fault } = newest
      return [
        {
          id,
          title,
          aim,
          fault,
          archived: archivedAt !== null,
          draft: draft ? { number: draft.number, savedAt: draft.savedAt.toISOString() } : null,
          published: revision ? { id: revision.id, number: revision.number, at: revision.publishedAt.toISOString() } : null,
        },
      ]
    })
    .sort((a, b) => a.title.localeCompare(b.title))
}

/** The published plans in use of a course that can be read, and the titles of those that cannot. */
export async function publishedPlans(course: string): Promise<{ plans: Plan[]; unreadable: string[] }> {
  const preparations = await Preparation.findAll({ where: { course, archivedAt: null }, attributes: ['id'] })
  const revisions = await Revision.findAll({ where: { preparation: preparations.map(({ id }) => id), state: 'published' } })
  const plans: Plan[] = []
  const unreadable: string[] = []
  for (const revision of revisions) {
    try {
      plans.push(await readDocument(revision))
    } catch (error) {
      if (!(error instanceof UnreadableDocument)) throw error
      unreadable.push(revision.title)
    }
  }
  return { plans, unreadable }
}

/** How many preparations a sequence may have; further back is not looked. */
const longestSequence = 12

/**
 * The plan of a preparation by its title, and those that lead to it, the nearest first: one statement for each link. For those who write, a draft goes before what is published.
 */
export async function plansLeadingTo(course: string, title: string, reader: Actor | null): Promise<Plan[]> {
  const found: Plan[] = []
  const preparations = await Preparation.findAll({ where: { course, archivedAt: null }, attributes: ['id'] })
  const where = { preparation: preparations.map(({ id }) => id) }
  for (let next: string | undefined = title; next !== undefined && found.length < longestSequence;) {
    const wanted: { preparation: string[]; title: string } = { ...where, title: next }
    const draft: Draft | null = readsDrafts(reader, course) ? await Draft.findOne({ where: wanted }) : null
    const row: Draft | Revision | null = draft ?? (await Revision.findOne({ where: { ...wanted, state: 'published' } }))
    const plan = row && (await readDocument(row).catch(() => null))
    if (!plan || found.some((each) => each.title === plan.title)) break
    found.push(plan)
    next = madeLine(plan)?.madeIn
  }
  return found
}

/** The number of a revision in an address; undefined for what is none. */
export function revisionNumber(text: string | undefined): number | undefined {
  return text !== undefined && /^\d{1,6}$/.test(text) ? Number(text) : undefined
}

interface HistoryLine {
  number: number
  state: RevisionView['state']
  at: string
  by: string
}

export interface Opened {
  archived: boolean
  history: HistoryLine[]
  revision: RevisionView
}

/**
 * One preparation as the Desk opens it: the revision asked for, or the newest that this person may read.
 * @throws Refusal 404, UnreadableDocument
 */
export async function openPreparation(id: string, reader: Actor | null, number?: number): Promise<Opened> {
  const preparation = await preparationOf(id)
  const [published, draft] = await Promise.all([
    Revision.findAll({ where: { preparation: id }, order: [['number', 'DESC']], attributes: { exclude: ['plan'] } }),
    readsDrafts(reader, preparation.course) ? Draft.findOne({ where: { preparation: id } }) : null,
  ])
  const visible = [...(draft ? [draft] : []), ...published]
  const chosen = number === undefined ? visible[0] : visible.find((row) => row.number === number)
  if (!chosen) throw new Refusal(404, 'There is no such revision to read.')
  const people = await User.findAll({
    where: { id: visible.map((row) => (row instanceof Draft ? row.savedBy : row.publishedBy)) },
    attributes: ['id', 'name'],
  })
  return {
    archived: preparation.archivedAt !== null,
    revision: await view(chosen instanceof Draft ? chosen : await Revision.findByPk(chosen.id, { rejectOnEmpty: true })),
    history: visible.map((row) => {
      const [at, by] = row instanceof Draft ? [row.savedAt, row.savedBy] : [row.publishedAt, row.publishedBy]
      return {
        number: row.number,
        state: stateOf(row),
        at: at.toISOString(),
        by: people.find((person) => person.id === by)?.name ?? '',
      }
    }),
  }
}

/** What a save answers: the draft's new version, or, when another window was faster, what stands there now. */
export type Saved = { id: string; number: number; version: number; savedAt: string }

/**
 * Saves a draft over the version it was based on. When another window has saved meanwhile nothing is written, and the refusal
 * carries what stands there. @throws Refusal 409
 */
export async function saveDraft(id: string, base: number, document: unknown, user: string, now = new Date()): Promise<Saved> {
  const plan = checkPlan(document)
  return transacted(async (transaction) => {
    const [saved] = await Draft.update(
      { ...documentColumns(plan), version: base + 1, savedAt: now, savedBy: user },
      { where: { id, version: base }, transaction },
    )
    if (saved === 0) throw await whyNotSaved(id, transaction)
    const row = await Draft.findByPk(id, { transaction, rejectOnEmpty: true })
    // Until something is published, the preparation is called what its draft is called.
    if (row.number === 1) await Preparation.update({ title: plan.title }, { where: { id: row.preparation }, transaction })
    return { id, number: row.number, version: base + 1, savedAt: now.toISOString() }
  })
}

/** Why a draft is not what its window knew: others changed it, published it or discarded it meanwhile. */
async function whyNotSaved(id: string, transaction: Transaction): Promise<Refusal> {
  const row = await Draft.findByPk(id, { transaction })
  if (row)
    return new Refusal(409, 'This draft was changed in another window.', { theirs: await view(row).catch(() => undefined) })
  return (await Revision.findByPk(id, { transaction, attributes: ['id'] }))
    ? new Refusal(409, 'This revision has been published meanwhile, so it is frozen. Your change can go into a new draft.', {
        frozen: true,
      })
    : new Refusal(409, 'This draft was discarded meanwhile. Your change can go into a new draft.', { gone: true })
}

const documentColumns = (plan: Plan) => ({ plan: writePlanFile(plan), title: plan.title, aim: plan.aim, fault: null })

/**
 * Starts a new draft of a preparation with this plan, which was changed from the revision `from`. Where another draft or revision has come since,
 * nothing is written. @throws Refusal 409 with what stands there
 */
export async function startDraft(
  preparation: string,
  from: string,
  document: unknown,
  user: string,
  now = new Date(),
): Promise<Saved> {
  const plan = checkPlan(document)
  return transacted(async (transaction) => {
    await takeTurn('preparation', preparation, transaction)
    const draft = await Draft.findOne({ where: { preparation }, transaction })
    const newest = await Revision.findOne({ where: { preparation }, order: [['number', 'DESC']], transaction })
    const theirs = draft ?? (newest && newest.id !== from ? newest : null)
    if (theirs) throw new Refusal(409, 'This preparation was changed in another window.', { theirs: await view(theirs) })
    const made = await openDraft(preparation, (newest?.number ?? 0) + 1, plan, user, now, transaction)
    return { id: made.id, number: made.number, version: 1, savedAt: now.toISOString() }
  })
}

/**
 * Publishes a draft at the version its author sees, who has confirmed its safety sheet: frozen from now on, and the one before it superseded.
 * @throws Refusal 409
 */
export async function publish(id: string, version: number, user: string, now = new Date()): Promise<Saved> {
  return transacted(async (transaction) => {
    const known = await Draft.findByPk(id, { transaction, attributes: ['preparation'] })
    if (known) await takeTurn('preparation', known.preparation, transaction)
    const draft = known && (await Draft.findByPk(id, { transaction }))
    if (!draft) throw new Refusal(409, 'This revision is published already, or the draft was discarded.')
    if (draft.version !== version)
      throw new Refusal(409, 'This draft was changed in another window: look at it again before publishing.', {
        theirs: await view(draft),
      })
    await readDocument(draft)
    const { preparation, number, title, aim, plan, savedAt, savedBy } = draft
    await Revision.update({ state: 'superseded' }, { where: { preparation, state: 'published' }, transaction })
    await Revision.create(
      {
        ...{ id, preparation, number, title, aim, plan, version, savedAt, savedBy },
        state: 'published',
        publishedAt: now,
        publishedBy: user,
        safetyReadAt: now,
      },
      { transaction },
    )
    // A save of the same moment changes what is published here, and one of the two is refused.
    if ((await Draft.destroy({ where: { id, version }, transaction })) === 0)
      throw new Refusal(409, 'This draft was changed in another window: look at it again before publishing.')
    await Preparation.update({ title }, { where: { id: preparation }, transaction })
    return { id, number, version, savedAt: savedAt.toISOString() }
  })
}

/** Discards a draft. A preparation of which nothing was published goes with it. @returns whether the preparation is still there @throws Refusal 409 */
export async function discardDraft(id: string): Promise<{ preparation: string | null }> {
  return transacted(async (transaction) => {
    const draft = await Draft.findByPk(id, { transaction, attributes: ['id', 'preparation'] })
    const preparation = draft?.preparation ?? ''
    await takeTurn('preparation', preparation, transaction)
    if ((await Draft.destroy({ where: { id }, transaction })) === 0)
      throw new Refusal(409, 'What is published is not discarded: put the preparation away instead.')
    if ((await Revision.count({ where: { preparation }, transaction })) > 0) return { preparation }
    await Preparation.destroy({ where: { id: preparation }, transaction })
    return { preparation: null }
  })
}

function openDraft(
  preparation: string,
  number: number,
  plan: Plan,
  user: string,
  now: Date,
  transaction: Transaction,
): Promise<Draft> {
  return Draft.create(
    { id: ulid(), preparation, number, ...documentColumns(plan), version: 1, savedAt: now, savedBy: user },
    { transaction },
  )
}

/** Starts a preparation of a course with its first draft. @returns its id */
export async function startPreparation(
  course: string,
  document: unknown,
  user: string,
  now = new Date(),
): Promise<{ id: string }> {
  const plan = checkPlan(document)
  return transacted(async (transaction) => {
    const preparation = await Preparation.create({ id: ulid(), course, title: plan.title }, { transaction })
    await openDraft(preparation.id, 1, plan, user, now, transaction)
    return { id: preparation.id }
  })
}

/** A new preparation of the same course, whose first draft is the newest revision of another. @returns its id */
export async function copyPreparation(id: string, user: string, now = new Date()): Promise<{ id: string }> {
  const { course } = await preparationOf(id)
  const draft = await Draft.findOne({ where: { preparation: id } })
  const newest =
    draft ?? (await Revision.findOne({ where: { preparation: id }, order: [['number', 'DESC']], rejectOnEmpty: true }))
  const plan = await readDocument(newest)
  return startPreparation(course, { ...plan, title: `${plan.title.slice(0, 190)}, copy` }, user, now)
}

/** Puts a preparation away, out of the lists, or takes it back. Nothing of it is lost, and sessions that use it go on. */
export async function archivePreparation(id: string, archived: boolean, now = new Date()): Promise<void> {
  await (await preparationOf(id)).update({ archivedAt: archived ? now : null })
}

interface PlanText {
  title: string
  number: number
  plan: Plan
}

/** A revision to write out in some form, an older version of the file brought forward; a draft only for those who write it. @throws Refusal 404 */
export async function planToWrite(id: string, reader: Actor | null): Promise<PlanText> {
  const row = await documentOf(id)
  if (row instanceof Draft && !readsDrafts(reader, (await preparationOf(row.preparation)).course))
    throw new Refusal(404, 'There is no such revision to read.')
  const plan = await readDocument(row)
  return { title: plan.title, number: row.number, plan }
}

/** The published plans of a course that are not put away, by title, from columns alone. */
export async function publishedRevisions(course: string) {
  const kept = await Preparation.findAll({ where: { course, archivedAt: null }, attributes: ['id'] })
  const rows = await Revision.findAll({
    where: { preparation: kept.map(({ id }) => id), state: 'published' },
    attributes: ['id', 'preparation', 'title', 'number'],
    order: [['title', 'ASC']],
  })
  return rows.map(({ id, preparation, title, number }) => ({ id, preparation, title, number }))
}

/** The bytes of a document as they stand, for an owner who looks for what is wrong with them. @throws Refusal 404 */
export async function documentAsItStands(id: string): Promise<string> {
  return (await documentOf(id)).plan
}

/** A title as the name of a file. */
export function fileName(title: string): string {
  return title.replace(/[^\w-]+/g, '-').toLowerCase()
}
