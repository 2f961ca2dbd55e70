import { thisMoment } from './clock'
import { Approval, Course, Preparation, Revision, User } from '@/data/models'
import { Refusal } from './refusal'

export interface ApprovalState {
  /** True where the course asks for a second person. */
  needed: boolean
  /** Whoever approved it, and when; null while nobody has. */
  by: { name: string; at: string } | null
  /** True for a person who may be that second one. */
  may: boolean
}

/** Whether a published plan needs a second person's approval, and whether it has it. */
export async function approvalOf(revision: string, person: string): Promise<ApprovalState> {
  const found = await Revision.findByPk(revision)
  const preparation = found && (await Preparation.findByPk(found.preparation))
  const course = preparation && (await Course.findByPk(preparation.course))
  if (!found || !course) return { needed: false, by: null, may: false }
  const approval = await Approval.findByPk(revision)
  const approver = approval && (await User.findByPk(approval.person))
  return {
    needed: Boolean(course.approval),
    by: approval && { name: approver?.name ?? 'somebody who has left', at: approval.at.toISOString() },
    may: found.state === 'published' && !approval && found.publishedBy !== person,
  }
}

/** A second person approves a published plan. @throws Refusal 403 for who published it, 409 */
export async function approve(revision: string, person: string, now = thisMoment()): Promise<void> {
  const found = await Revision.findByPk(revision)
  if (found?.state !== 'published') throw new Refusal(409, 'Only a published plan is approved.')
  if (found.publishedBy === person)
    throw new Refusal(403, 'Whoever published it does not approve it: a second person looks at it.')
  if (await Approval.findByPk(revision)) throw new Refusal(409, 'It is approved already.')
  await Approval.create({ revision, person, at: now })
}
