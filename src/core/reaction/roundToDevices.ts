import { isCharged, type Plan } from '../plan/plan'
import { deviceOf } from '../quantity/device'
import { computedLine, dispensed, reactionTable } from './reactionTable'

/** A line that was rounded, with the change of its ratio to the reference as a fraction of itself; null where it has none. */
export interface Rounded {
  line: string
  from: number
  to: number
  ratioShift: number | null
}

/** Lines that set the limit before and after: a reagent that was kept short on purpose may no longer be, or another may have become it. */
export interface MovedLimit {
  before: string[]
  after: string[]
}

/**
 * The plan with every amount rounded to what the device named for its line can deliver: a whole number of its smallest steps, at
 * least one. Lines without a device, or whose device measures something else, stay. The rounded figures are then the typed ones.
 */
export function roundToDevices(plan: Plan): { plan: Plan; rounded: Rounded[]; limit: MovedLimit | null } {
  const table = reactionTable(plan)
  const rounded: { id: string; from: number; to: number }[] = []
  const lines = plan.lines.map((line) => {
    const device = deviceOf(line.device)
    const measured = dispensed(computedLine(table, line.id))
    if (!device || !measured || !isCharged(line) || device.measures !== measured.dimension) return line
    const decimals = Math.max(0, Math.ceil(-Math.log10(device.readability)))
    const steps = Math.max(1, Math.round(measured.figure.value / device.readability))
    const to = Number((steps * device.readability).toFixed(decimals))
    rounded.push({ id: line.id, from: measured.figure.value, to })
    return {
      ...line,
      anchor: {
        of: measured.dimension,
        quantity: { value: to, unit: measured.dimension === 'mass' ? ('g' as const) : ('mL' as const), decimals },
      },
    }
  })
  const next: Plan = { ...plan, lines }
  const after = reactionTable(next)
  const same = table.limiting.length === after.limiting.length && table.limiting.every((id) => after.limiting.includes(id))
  return {
    plan: next,
    limit: same ? null : { before: [...table.limiting], after: [...after.limiting] },
    rounded: rounded.map(({ id, from, to }) => {
      const [old, fresh] = [computedLine(table, id).ratio, computedLine(after, id).ratio]
      return { line: id, from, to, ratioShift: old && fresh ? fresh.value / old.value - 1 : null }
    }),
  }
}
