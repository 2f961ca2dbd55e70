import { thisMoment } from './clock'
import type { Transaction } from 'sequelize'
import { ulid } from 'ulid'
import { checkPlan, writePlanFile } from '@/core/format/planFile'
import type { Plan } from '@/core/plan/plan'
import { transacted } from '@/data/connect'
import { Draft, Preparation, Revision } from '@/data/models'
import { takeTurn } from '@/data/turns'
import { readDocument } from './documents'
import { Refusal } from './refusal'
import { preparationOf, view } from './revisions'

/** What a save answers: the draft's new version, or, when another window was faster, what stands there now. */
export type Saved = { id: string; number: number; version: number; savedAt: string }

/**
 * Saves a draft over the version it was based on. When another window has saved meanwhile nothing is written, and the refusal
 * carries what stands there. @throws Refusal 409
 */
export async function saveDraft(id: string, base: number, document: unknown, user: string, now = thisMoment()): Promise<Saved> {
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
  now = thisMoment(),
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
export async function publish(id: string, version: number, user: string, now = thisMoment()): Promise<Saved> {
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
  now = thisMoment(),
): Promise<{ id: string }> {
  const plan = checkPlan(document)
  return transacted(async (transaction) => {
    const preparation = await Preparation.create({ id: ulid(), course, title: plan.title }, { transaction })
    await openDraft(preparation.id, 1, plan, user, now, transaction)
    return { id: preparation.id }
  })
}

/** A new preparation of the same course, whose first draft is the newest revision of another. @returns its id */
export async function copyPreparation(id: string, user: string, now = thisMoment()): Promise<{ id: string }> {
  const { course } = await preparationOf(id)
  const draft = await Draft.findOne({ where: { preparation: id } })
  const newest =
    draft ?? (await Revision.findOne({ where: { preparation: id }, order: [['number', 'DESC']], rejectOnEmpty: true }))
  const plan = await readDocument(newest)
  return startPreparation(course, { ...plan, title: `${plan.title.slice(0, 190)}, copy` }, user, now)
}

/** Puts a preparation away, out of the lists, or takes it back. Nothing of it is lost, and sessions that use it go on. */
export async function archivePreparation(id: string, archived: boolean, now = thisMoment()): Promise<void> {
  await (await preparationOf(id)).update({ archivedAt: archived ? now : null })
}
