import type { Plan } from '../plan/plan'
import { scalePlan } from '../edit/scalePlan'
import { queriesOf } from './queries'
import type { Query } from '../operations/query'

/**
 * The queries of a plan at another scale that have no answer there. An answer that was given to a query of another title, such as a vessel that was too large and is now too full, is none.
 */
export function doubtsAtScale(plan: Plan, scale: number): Pick<Query, 'id' | 'title' | 'evidence'>[] {
  const answered = new Map(queriesOf(plan).flatMap(({ id, title, answer }) => (answer === undefined ? [] : [[id, title]])))
  return queriesOf(scalePlan(plan, scale))
    .filter(({ id, title, answer }) => answer === undefined || answered.get(id) !== title)
    .map(({ id, title, evidence }) => ({ id, title, evidence }))
}
