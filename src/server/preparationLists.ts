import type { Plan } from '@/core/plan/plan'
import { madeLine } from '@/core/edit/sequence'
import { Draft, Preparation, Revision } from '@/data/models'
import { readDocument, UnreadableDocument } from './documents'
import { preparationTitled } from './preparationTitled'
import { readsDrafts } from './revisions'
import type { Actor } from './rights'

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
 * The plan of a preparation by its title, and those that lead to it, the nearest first: a few statements for each link. For those who write, a draft goes before what is published.
 * @param own the preparation they lead to: a circle ends there
 */
export async function plansLeadingTo(course: string, title: string, reader: Actor | null, own?: string): Promise<Plan[]> {
  const found = new Map<string, Plan>()
  const drafts = readsDrafts(reader, course)
  for (let next: string | undefined = title; next !== undefined && found.size < longestSequence;) {
    const preparation = await preparationTitled(course, next, { inUse: true, drafts })
    if (preparation === null || preparation === own || found.has(preparation)) break
    const draft: Draft | null = drafts ? await Draft.findOne({ where: { preparation } }) : null
    const row: Draft | Revision | null = draft ?? (await Revision.findOne({ where: { preparation, state: 'published' } }))
    const plan = row && (await readDocument(row).catch(() => null))
    if (!plan) break
    found.set(preparation, plan)
    next = madeLine(plan)?.madeIn
  }
  return [...found.values()]
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
