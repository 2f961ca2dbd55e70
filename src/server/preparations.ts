import type { HistoryView } from '@/views/plans'
import type { Plan } from '@/core/plan/plan'
import { Draft, Revision, User } from '@/data/models'
import { readDocument } from './documents'
import { Refusal } from './refusal'
import { documentOf, preparationOf, readsDrafts, stateOf, view, type RevisionView } from './revisions'
import type { Actor } from './rights'

/** The number of a revision in an address; undefined for what is none. */
export function revisionNumber(text: string | undefined): number | undefined {
  return text !== undefined && /^\d{1,6}$/.test(text) ? Number(text) : undefined
}

export interface Opened {
  archived: boolean
  history: HistoryView[]
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

/** The bytes of a document as they stand, for an owner who looks for what is wrong with them. @throws Refusal 404 */
export async function documentAsItStands(id: string): Promise<string> {
  return (await documentOf(id)).plan
}

/** A title as the name of a file. */
export function fileName(title: string): string {
  return title.replace(/[^\w-]+/g, '-').toLowerCase()
}
