import { emptyPlan } from './newPlan'
import { addLine } from '../plan/editPlan'
import { isProduct, isReactant, type Form, type Plan } from '../plan/plan'
import type { Role } from '../plan/lists'
import type { Substance } from '../substance/substance'

/** A scratch sheet with one more line: the first line that may be the reference is, and the first product is the one whose yield is counted. */
export function scratchWith(sheet: Plan | null, substance: Substance, role: Role, form?: Form): Plan {
  const before = sheet ?? emptyPlan('Scratch')
  const added = addLine(before, substance, role)
  const { id } = added.lines.find((line) => !before.lines.some((other) => other.id === line.id))!
  const lines = form ? added.lines.map((line) => (line.id === id ? { ...line, form } : line)) : added.lines
  const reference = lines.find(({ id: each }) => each === before.reference) ?? lines.find(isReactant) ?? lines[0]!
  // A line that is no reactant gives way to the first that is.
  const counted = isReactant(reference) ? reference : (lines.find(isReactant) ?? reference)
  const product = before.mainProduct ?? lines.find(isProduct)?.id
  return { ...added, lines, reference: counted.id, ...(product === undefined ? {} : { mainProduct: product }) }
}
