import type { Substance } from '@/core/substance/substance'
import { substanceRecords } from '@/reference/records'
import { publishedPlans } from './preparationLists'

/** Substances that the published plans of a course hold and no record has: what their author wrote down. */
export async function ownSubstancesOf(course: string): Promise<Substance[]> {
  const { plans } = await publishedPlans(course)
  const known = new Set(substanceRecords.map(({ name }) => name))
  const own = plans.flatMap(({ substances }) => substances).filter(({ name }) => !known.has(name))
  return [...new Map(own.map((substance) => [substance.name, substance])).values()]
}
