import type { Plan } from '../plan/plan'
import { fetchedFor } from './batch'
import { holdsStuff, type Bottle } from './bottle'
import type { Stocks } from './orderList'
import { settingOut } from './settingOut'

/**
 * How many groups a bottle serves where a plan takes no line from it, but a solution that is made from it: sodium hydroxide for 2 mol/L sodium hydroxide. Null where nothing of the plan is made from it,
 * or where mass and volume cannot be compared.
 */
export function groupsMadeFrom(bottle: Bottle, plan: Plan, stocks: Stocks): number | null {
  const needs = settingOut([{ id: '', plan, groups: [{ bench: 1, scale: 1 }], spare: 0 }]).needs
  const taken = needs.flatMap((need) => {
    // By what a group needs, before it is rounded for the whole class.
    const made = need.madeIn === undefined ? fetchedFor({ ...need, issue: need.sum }, stocks(need.substance, need.form)) : null
    return made && made.unit === bottle.left.unit && holdsStuff(bottle, made.substance, made.form) ? [made.issue] : []
  })
  const need = taken.reduce((sum, each) => sum + each, 0)
  return need > 0 ? Math.floor(bottle.left.value / need + 1e-9) : null
}
