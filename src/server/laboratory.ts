import { defaultLab, type Lab } from '@/core/lab/lab'
import { Course } from '@/data/models'

/** How a laboratory works: what its owner has said, over what is usual. */
export function labFrom(written: string | null): Lab {
  return written === null ? defaultLab : { ...defaultLab, ...(JSON.parse(written) as Partial<Lab>) }
}

/** Writes how a course's laboratory works from now on. */
export async function saveLab(course: string, lab: Lab): Promise<void> {
  await Course.update({ lab: JSON.stringify(lab) }, { where: { id: course } })
}
