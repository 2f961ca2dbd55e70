import type { Transaction } from 'sequelize'
import { ulid } from 'ulid'
import { checkPlan, readPlanFile, writePlanFile } from '@/core/format/planFile'
import type { Plan } from '@/core/plan/plan'
import { database } from '@/data/connect'
import { Preparation, Revision, User } from '@/data/models'
import { Refusal } from './refusal'
import type { Subject } from './rights'

export interface RevisionView {
  id: string
  number: number
  state: Revision['state']
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

async function revisionOf(id: string): Promise<Revision> {
  const revision = await Revision.findByPk(id)
  if (!revision) throw new Refusal(404, 'There is no such revision.')
  return revision
}

export async function subjectOfPreparation(id: string): Promise<Subject> {
  return { course: (await preparationOf(id)).course }
}

export async function subjectOfRevision(id: string): Promise<Subject> {
  return subjectOfPreparation((await revisionOf(id)).preparation)
}

async function view(revision: Revision): Promise<RevisionView> {
  const [saver, publisher] = await Promise.all(
    [revision.savedBy, revision.publishedBy].map((id) => (id ? User.findByPk(id) : null)),
  )
  return {
    id: revision.id,
    number: revision.number,
    state: revision.state,
    version: revision.version,
    savedAt: revision.savedAt.toISOString(),
    savedBy: saver?.name ?? '',
    publishedAt: revision.publishedAt?.toISOString() ?? null,
    publishedBy: publisher?.name ?? null,
    plan: readPlanFile(revision.plan),
  }
}

/** The preparations of a course with the state of their newest revisions. */
export async function listPreparations(course: string) {
  const preparations = await Preparation.findAll({ where: { course }, order: [['title', 'ASC']] })
  const revisions = await Revision.findAll({
    where: { preparation: preparations.map(({ id }) => id) },
    order: [['number', 'DESC']],
  })
  return preparations.map((preparation) => {
    const own = revisions.filter((revision) => revision.preparation === preparation.id)
    const newest = own[0]!
    const published = own.find(({ state }) => state === 'published')
    const plan = readPlanFile(newest.plan)
    return {
      id: preparation.id,
      archived: preparation.archivedAt !== null,
      title: plan.title,
      aim: plan.aim,
      plan,
      draft: newest.state === 'draft' ? { number: newest.number, savedAt: newest.savedAt.toISOString() } : null,
      published: published ? { number: published.number, at: published.publishedAt!.toISOString() } : null,
    }
  })
}

/**
 * One preparation as the Desk opens it: the revision asked for, or the newest; `draftsToo: false` for people who may only read
 * what is published.
 */
export async function openPreparation(id: string, options: { number?: number; draftsToo: boolean }) {
  const revisions = await Revision.findAll({ where: { preparation: id }, order: [['number', 'DESC']] })
  const visible = revisions.filter(({ state }) => options.draftsToo || state !== 'draft')
  const chosen = options.number === undefined ? visible[0] : visible.find(({ number }) => number === options.number)
  if (!chosen) throw new Refusal(404, 'There is no such revision to read.')
  const people = await User.findAll({ where: { id: visible.map(({ publishedBy, savedBy }) => publishedBy ?? savedBy) } })
  return {
    archived: (await preparationOf(id)).archivedAt !== null,
    revision: await view(chosen),
    history: visible.map(({ number, state, savedAt, savedBy, publishedAt, publishedBy }) => ({
      number,
      state,
      at: (publishedAt ?? savedAt).toISOString(),
      by: people.find((person) => person.id === (publishedBy ?? savedBy))?.name ?? '',
    })),
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
  const [changed] = await Revision.update(
    { plan: writePlanFile(plan), version: base + 1, savedAt: now, savedBy: user },
    { where: { id, version: base, state: 'draft' } },
  )
  const revision = await revisionOf(id)
  if (changed === 0) {
    if (revision.state !== 'draft')
      throw new Refusal(
        409,
        'This revision has been published meanwhile, so it is frozen. Your change can go into a new draft.',
        { frozen: true },
      )
    throw new Refusal(409, 'This draft was changed in another window.', { theirs: await view(revision) })
  }
  await Preparation.update({ title: plan.title }, { where: { id: revision.preparation } })
  return { id, number: revision.number, version: base + 1, savedAt: now.toISOString() }
}

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
  return database().transaction(async (transaction) => {
    await Preparation.findByPk(preparation, { transaction, lock: transaction.LOCK.UPDATE, rejectOnEmpty: true })
    const newest = await Revision.findOne({ where: { preparation }, order: [['number', 'DESC']], transaction })
    if (newest && (newest.state === 'draft' || newest.id !== from)) {
      throw new Refusal(409, 'This preparation was changed in another window.', { theirs: await view(newest) })
    }
    const draft = await openDraft(preparation, (newest?.number ?? 0) + 1, plan, user, now, transaction)
    return { id: draft.id, number: draft.number, version: 1, savedAt: now.toISOString() }
  })
}

/**
 * Publishes a draft at the version its author sees, who has confirmed its safety sheet: frozen from now on, and the one before it superseded.
 * @throws Refusal 409
 */
export async function publish(id: string, version: number, user: string, now = new Date()): Promise<Saved> {
  return database().transaction(async (transaction) => {
    const revision = await Revision.findByPk(id, { transaction, lock: transaction.LOCK.UPDATE, rejectOnEmpty: true })
    if (revision.state !== 'draft') throw new Refusal(409, 'This revision is published already.')
    if (revision.version !== version)
      throw new Refusal(409, 'This draft was changed in another window: look at it again before publishing.', {
        theirs: await view(revision),
      })
    await Revision.update(
      { state: 'superseded' },
      { where: { preparation: revision.preparation, state: 'published' }, transaction },
    )
    await revision.update({ state: 'published', publishedAt: now, publishedBy: user, safetyReadAt: now }, { transaction })
    return { id, number: revision.number, version, savedAt: revision.savedAt.toISOString() }
  })
}

function openDraft(
  preparation: string,
  number: number,
  plan: Plan,
  user: string,
  now: Date,
  transaction: Transaction,
): Promise<Revision> {
  return Revision.create(
    { id: ulid(), preparation, number, state: 'draft', plan: writePlanFile(plan), version: 1, savedAt: now, savedBy: user },
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
  return database().transaction(async (transaction) => {
    const preparation = await Preparation.create({ id: ulid(), course, title: plan.title }, { transaction })
    await openDraft(preparation.id, 1, plan, user, now, transaction)
    return { id: preparation.id }
  })
}

/** A new preparation of the same course, whose first draft is the newest revision of another. @returns its id */
export async function copyPreparation(id: string, user: string, now = new Date()): Promise<{ id: string }> {
  const { course } = await preparationOf(id)
  const newest = await Revision.findOne({ where: { preparation: id }, order: [['number', 'DESC']], rejectOnEmpty: true })
  const plan = readPlanFile(newest.plan)
  return startPreparation(course, { ...plan, title: `${plan.title}, copy` }, user, now)
}

/** Puts a preparation away, out of the lists, or takes it back. Nothing of it is lost, and sessions that use it go on. */
export async function archivePreparation(id: string, archived: boolean, now = new Date()): Promise<void> {
  await (await preparationOf(id)).update({ archivedAt: archived ? now : null })
}

/** The plan file of a revision, an older version of the file brought forward; a draft only for those who write it. @throws Refusal 404 */
export async function planTextOf(revision: string, draftsToo: boolean): Promise<{ title: string; number: number; text: string }> {
  const { number, plan, state } = await revisionOf(revision)
  if (state === 'draft' && !draftsToo) throw new Refusal(404, 'There is no such revision to read.')
  const read = readPlanFile(plan)
  return { title: read.title, number, text: writePlanFile(read) }
}

/** A title as the name of a file. */
export function fileName(title: string): string {
  return title.replace(/[^\w-]+/g, '-').toLowerCase()
}
