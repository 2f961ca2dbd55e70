import { defaultLab, type Lab } from '@/core/lab/lab'
import { labSchema } from '@/core/lab/labSchema'
import { transacted } from '@/data/connect'
import { Course } from '@/data/models'
import { takeTurnOfCollege } from '@/data/turns'
import { standsOver, type Written } from './whole'

/** How a laboratory works: what its owner has said, over what is usual. */
export function labFrom(written: string | null): Lab {
  if (written === null) return defaultLab
  try {
    return labSchema.validateSync({ ...defaultLab, ...(JSON.parse(written) as Partial<Lab>) }, { strict: true })
  } catch {
    // What cannot be read gives way to what is usual; the page that shows it can be saved anew.
    return defaultLab
  }
}

/** Writes how a course's laboratory works from now on. @throws Refusal 409 where somebody else was first */
export async function saveLab(course: string, written: Written<Lab>): Promise<void> {
  await transacted(async (transaction) => {
    await takeTurnOfCollege(transaction)
    const row = await Course.findByPk(course, { rejectOnEmpty: true, transaction })
    if (standsOver(labFrom(row.lab), written)) await row.update({ lab: JSON.stringify(written.value) }, { transaction })
  })
}

/** How the laboratory of a course works. */
export async function labOfCourse(course: string): Promise<Lab> {
  const { lab } = await Course.findByPk(course, { rejectOnEmpty: true })
  return labFrom(lab)
}
