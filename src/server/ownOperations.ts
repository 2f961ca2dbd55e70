import { Op } from 'sequelize'
import { ownIn, type OwnMade } from '@/core/edit/addStep'
import { Draft, Preparation, Revision } from '@/data/models'
import { readDocument } from './documents'

/** Operations of their own in the plans of a course, drafts and what is published, each name once as it was last written. */
export async function ownOperationsOf(course: string): Promise<OwnMade[]> {
  const preparations = await Preparation.findAll({ where: { course, archivedAt: null }, attributes: ['id'] })
  const where = { preparation: preparations.map(({ id }) => id), plan: { [Op.like]: '%"own":%' } }
  const rows = [
    ...(await Revision.findAll({ where: { ...where, state: 'published' }, order: [['id', 'ASC']] })),
    ...(await Draft.findAll({ where, order: [['id', 'ASC']] })),
  ]
  const plans = await Promise.all(rows.map((row) => readDocument(row).catch(() => null)))
  return ownIn(plans.flatMap((plan) => plan ?? []))
}
