import { defaultLab, type Lab } from '@/core/lab/lab'
import { labSchema } from '@/core/lab/labSchema'
import { Course } from '@/data/models'

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

/** Writes how a course's laboratory works from now on. */
export async function saveLab(course: string, lab: Lab): Promise<void> {
  await Course.update({ lab: JSON.stringify(lab) }, { where: { id: course } })
}

/** How the laboratory of a course works. */
export async function labOfCourse(course: string): Promise<Lab> {
  const { lab } = await Course.findByPk(course, { rejectOnEmpty: true })
  return labFrom(lab)
}
