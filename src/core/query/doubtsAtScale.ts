import type { Lab } from '../lab/lab'
import type { Plan } from '../plan/plan'
import { reactionTable } from '../reaction/reactionTable'
import { scalePlan } from '../edit/scalePlan'
import { queriesOf } from './queries'
import type { Query } from '../operations/query'

/**
 * The queries of a plan at another scale that have no answer there. An answer that was given to a query of another title, such as a vessel that was too large and is now too full, is none.
 */
export function doubtsAtScale(plan: Plan, scale: number, lab: Lab): Pick<Query, 'id' | 'title' | 'evidence'>[] {
  const asked = (each: Plan) => queriesOf(each, reactionTable(each), lab)
  const answered = new Map(asked(plan).flatMap(({ id, title, answer }) => (answer === undefined ? [] : [[id, title]])))
  return asked(scalePlan(plan, scale))
    .filter(({ id, title, answer }) => answer === undefined || answered.get(id) !== title)
    .map(({ id, title, evidence }) => ({ id, title, evidence }))
}
