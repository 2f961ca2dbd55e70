import type { Plan } from '@/core/plan/plan'
import { inWater, neat, solid, solution, type Poured } from '@/reference/poured'
import { substanceRecords } from '@/reference/records'
import { shortPlan } from './matter'

/** A liquid of which nobody has said how much. */
export const someOf = (id: string): Poured => {
  const { of, form } = neat(id, 1)
  return { of, form: form! }
}

/** Records that are liquids though no melting point below a warm room says so. */
const liquids = new Set([
  'thionyl-chloride',
  'acetyl-chloride',
  'bromine',
  'butyllithium',
  'hydrazine-monohydrate',
  'oxalyl-chloride',
])

const isSolid = ({ id, melting, boiling, density }: (typeof substanceRecords)[number]) =>
  !liquids.has(id) && (melting ? melting.lowC > 26 : boiling ? false : !density || density.gPerML > 1.5)

/** A thing as a case writes it: a record by itself, `@` so many mol/L in water, `%` so much of its mass in water; a gram of a solid, 5 mL of all else. */
export function written(text: string): Poured {
  const [, id, how, value] = /^([\w-]+?)(?:([@%])([\d.]+))?$/.exec(text)!
  if (how === '@') return solution(id!, 5, Number(value))
  if (how === '%') return inWater(id!, 5, Number(value))
  const found = substanceRecords.find((each) => each.id === id)!
  return isSolid(found) ? solid(id!, 1) : neat(id!, 5)
}

/** A plan that puts things one after the other into one flask. */
export const oneAfterTheOther = (text: string): Plan => {
  const parts = text.split(' + ').map(written)
  const lines = Object.fromEntries(parts.map((each, at) => [`l${at}`, { ...each, role: 'reagent' as const }]))
  return shortPlan(
    lines,
    parts.map((_, at) => ({
      op: 'charge' as const,
      in: `{l${at}}`,
      ...(at === 0 ? { vessel: { kind: 'round-bottom' as const, sizeML: 100 } } : {}),
    })),
  )
}
