import type { Plan } from '@/core/plan/plan'
import { Draft, Preparation, Revision, User } from '@/data/models'
import { readDocument } from './documents'
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

/** @throws Refusal 404 */
export async function preparationOf(id: string): Promise<Preparation> {
  const preparation = await Preparation.findByPk(id)
  if (!preparation) throw new Refusal(404, 'There is no such preparation.')
  return preparation
}

/** A published revision or a draft, whichever has this id. @throws Refusal 404 */
export async function documentOf(id: string): Promise<Revision | Draft> {
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

/** What a document is: a draft, or what became of it. */
export const stateOf = (row: Revision | Draft): RevisionView['state'] => (row instanceof Draft ? 'draft' : row.state)

/** Whether this person may read drafts of the course: only those who write them. Decided here, where they are read. */
export const readsDrafts = (reader: Actor | null, course: string) => may(reader, 'plan.write', { course })

/** A revision with its document. @throws UnreadableDocument */
export async function view(row: Revision | Draft): Promise<RevisionView> {
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
