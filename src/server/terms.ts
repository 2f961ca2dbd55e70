import { thisMoment } from './clock'
import { ulid } from 'ulid'
import { transacted } from '@/data/connect'
import { BottleRow, Course, Draft, Membership, Preparation, Revision } from '@/data/models'
import { Refusal } from './refusal'

/**
 * Copies a course into a new term with its plans, settings and stock, without its people, sections and runs; whoever copies it owns the copy. Plans come with their published revision, which is published anew as the first. @throws Refusal 409
 */
export async function copyCourse(
  from: string,
  { title, term }: { title: string; term: string },
  by: string,
  now = thisMoment(),
): Promise<{ id: string }> {
  const course = await Course.findByPk(from, { rejectOnEmpty: true })
  if (await Course.findOne({ where: { title, term } }))
    throw new Refusal(409, `There is a course “${title}${term && `, ${term}`}” already. Give the copy another term or title.`)
  const preparations = await Preparation.findAll({ where: { course: from, archivedAt: null } })
  const kept = { preparation: preparations.map(({ id }) => id) }
  const [revisions, drafts, bottles] = [
    await Revision.findAll({ where: { ...kept, state: 'published' } }),
    await Draft.findAll({ where: kept }),
    await BottleRow.findAll({ where: { course: from } }),
  ]
  const id = ulid(now.getTime())
  await transacted(async (transaction) => {
    const { college, zone, lab, approval } = course
    await Course.create({ id, title, term, college, zone, lab, approval, copiedFrom: from }, { transaction })
    await Membership.create({ user: by, course: id, role: 'owner' }, { transaction })
    for (const preparation of preparations) {
      const copy = ulid()
      await Preparation.create({ id: copy, course: id, title: preparation.title }, { transaction })
      const common = { preparation: copy, version: 1, savedAt: now, savedBy: by }
      const revision = revisions.find((each) => each.preparation === preparation.id)
      if (revision) {
        const { title: called, aim, plan, safetyReadAt, fault } = revision
        await Revision.create(
          {
            ...common,
            ...{ title: called, aim, plan, safetyReadAt, fault },
            id: ulid(),
            number: 1,
            state: 'published',
            publishedAt: now,
            publishedBy: by,
          },
          { transaction },
        )
      }
      const draft = drafts.find((each) => each.preparation === preparation.id)
      if (draft) {
        const { title: called, aim, plan, fault } = draft
        await Draft.create({ ...common, title: called, aim, plan, fault, id: ulid(), number: revision ? 2 : 1 }, { transaction })
      }
    }
    await BottleRow.bulkCreate(
      bottles.map((bottle) => ({ ...bottle.get(), id: ulid(), course: id, changedAt: now, changedBy: by })),
      { transaction },
    )
  })
  return { id }
}

/** Changes what a course is called, its term, and whether plans are approved by a second person. */
export async function changeCourse(id: string, wanted: { title: string; term: string; approval: boolean }): Promise<void> {
  await Course.update(wanted, { where: { id } })
}

/** What the course's page shows of it. */
export async function courseSettings(id: string): Promise<{ id: string; title: string; term: string; approval: boolean }> {
  const { title, term, approval } = await Course.findByPk(id, { rejectOnEmpty: true })
  return { id, title, term, approval: Boolean(approval) }
}
