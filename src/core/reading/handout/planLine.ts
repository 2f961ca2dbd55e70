import { addLine } from '../../plan/editPlan'
import type { Line, Plan } from '../../plan/plan'
import { devices } from '../../quantity/device'
import { inBaseUnit } from '../../quantity/unit'
import type { ProposedLine } from './proposal'

/** The smallest cylinder that holds it, and a graduated pipette for little. */
function deviceFor(line: ProposedLine): string | undefined {
  const { anchor } = line
  if (anchor?.of === 'mass') return 'balance-0.01'
  if (anchor?.of !== 'volume') return undefined
  const mL = inBaseUnit(anchor.quantity)
  if (mL <= 1) return 'pipette-5'
  return devices.find(({ id }) => id.startsWith('cylinder-') && Number(id.slice(9)) >= mL)?.id ?? 'cylinder-100'
}

/** The plan with a line of the text. */
export function lineIn(plan: Plan, proposed: ProposedLine): Plan {
  const substance = proposed.substance!
  const before = new Set(plan.lines.map(({ id }) => id))
  const added = addLine(plan, substance, proposed.role)
  const fresh = added.lines.find(({ id }) => !before.has(id))!
  const device = deviceFor(proposed)
  const line: Line = {
    ...fresh,
    id: proposed.id,
    coefficient: proposed.coefficient,
    form: proposed.form,
    anchor: proposed.anchor,
    ...(device ? { device } : {}),
    ...(proposed.note ? { note: proposed.note } : {}),
  }
  return { ...added, lines: added.lines.map((each) => (each.id === fresh.id ? line : each)) }
}
