import { QueryTypes } from 'sequelize'
import { ulid } from 'ulid'
import type { Words } from '@/core/words/say'
import { database, transacted } from '@/data/connect'
import { CollegeRow, Course, Membership } from '@/data/models'
import { wordsFrom } from './collegeWords'
import { makeLink } from './invitations'
import { personCalled, type Invited } from './people'

/** A person as the college's administrator sees them. */
export interface CollegePerson {
  id: string
  name: string
  signIn: string
  administrator: boolean
  here: boolean
  withdrawn: boolean
  courses: string
}

/** What the college's administrator looks after. */
export async function collegeOverview(course?: string) {
  const college = await CollegeRow.findOne()
  const courses = await Course.findAll({
    order: [
      ['title', 'ASC'],
      ['term', 'ASC'],
    ],
  })
  const rows = await database().query<
    Omit<CollegePerson, 'courses'> & { password: string; withdrawnAt: unknown; courses: string | null }
  >(
    `SELECT u.id, u.name, u.sign_in AS signIn, u.administrator, u.password_hash AS password, u.withdrawn_at AS withdrawnAt,
       (SELECT GROUP_CONCAT(CONCAT(m.role, ' of ', c.title, IF(c.term = '', '', CONCAT(', ', c.term))) ORDER BY c.title SEPARATOR '; ')
        FROM membership m JOIN course c ON c.id = m.course WHERE m.user = u.id) AS courses
     FROM user u ORDER BY u.withdrawn_at IS NOT NULL, u.name`,
    { type: QueryTypes.SELECT },
  )
  return {
    course,
    college: college && {
      title: college.title,
      zone: college.zone,
      keepNamesMonths: college.keepNamesMonths,
      words: wordsFrom(college.words),
    },
    courses: courses.map(({ id, title, term, zone }) => ({ id, title, term, zone })),
    people: rows.map(({ password, withdrawnAt, administrator, courses: in_, ...row }): CollegePerson => ({
      ...row,
      administrator: Boolean(administrator),
      here: password !== '',
      withdrawn: withdrawnAt !== null,
      courses: in_ ?? '',
    })),
  }
}

/** Makes a course with its first owner, who is invited where they are new. @throws Refusal 409 */
export async function makeCourse(
  wanted: { title: string; term: string; owner: { name: string; signIn: string } },
  by: string,
): Promise<{ id: string } & Invited> {
  const college = await CollegeRow.findOne({ rejectOnEmpty: true })
  const { id: user, isNew } = await personCalled(wanted.owner.name, wanted.owner.signIn.toLowerCase())
  const id = ulid()
  await transacted(async (transaction) => {
    await Course.create(
      { id, title: wanted.title, term: wanted.term, college: college.title, zone: college.zone },
      { transaction },
    )
    await Membership.create({ user, course: id, role: 'owner' }, { transaction })
  })
  return { id, user, token: isNew ? await makeLink(user, by) : null }
}

/** Changes what the college is called, its clock, and how long students' names are kept. */
export async function changeCollege({
  words,
  ...wanted
}: {
  title: string
  zone: string
  keepNamesMonths: number
  words: Words
}): Promise<void> {
  const college = await CollegeRow.findOne({ rejectOnEmpty: true })
  await college.update({ ...wanted, words: JSON.stringify(words) })
  await Course.update({ college: wanted.title }, { where: {} })
}
