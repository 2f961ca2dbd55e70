import { Draft, Preparation, Revision } from '@/data/models'

/**
 * The id of the preparation that a line says it is made in: the one of a course that bears the title now, else the one that bore it last, so that a preparation may be given another title. Null where none ever bore it.
 * @param among `in use`: what is put away is passed over; `drafts`: the reader may see what is not published
 */
export async function preparationTitled(
  course: string,
  title: string,
  among: { inUse?: boolean; drafts?: boolean } = {},
): Promise<string | null> {
  const preparations = await Preparation.findAll({
    where: { course, ...(among.inUse ? { archivedAt: null } : {}) },
    attributes: ['id'],
  })
  const where = { preparation: preparations.map(({ id }) => id), title }
  const attributes = ['preparation']
  const draft = among.drafts ? await Draft.findOne({ where, attributes }) : null
  const revision =
    draft ??
    (await Revision.findOne({ where: { ...where, state: 'published' }, attributes })) ??
    (await Revision.findOne({ where, attributes, order: [['publishedAt', 'DESC']] }))
  return revision?.preparation ?? null
}
