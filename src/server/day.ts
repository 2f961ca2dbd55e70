import { momentIn } from '@/core/quantity/momentIn'
import { Course } from '@/data/models'
import { thisMoment } from './clock'

/** The date that the laboratory's wall calendar shows, `2026-11-23`. */
export function dayIn(zone: string, at: Date): string {
  return new Intl.DateTimeFormat('en-CA', { timeZone: zone, year: 'numeric', month: '2-digit', day: '2-digit' }).format(at)
}

/** The calendar year of a laboratory, from its first moment to the first of the next; without a year, the one that it has now. */
export async function yearOfCourse(
  course: string,
  wanted: number | null,
  now = thisMoment(),
): Promise<{ year: number; from: Date; to: Date }> {
  const { zone } = await Course.findByPk(course, { rejectOnEmpty: true })
  const year = wanted ?? Number(dayIn(zone, now).slice(0, 4))
  const first = (of: number) => momentIn(zone, `${of}-01-01`, '00:00')
  return { year, from: first(year), to: first(year + 1) }
}

/** Whether a session goes on at a moment. */
export function isOn({ startsAt, endsAt }: { startsAt: Date; endsAt: Date }, now: Date): boolean {
  return startsAt <= now && now <= endsAt
}
