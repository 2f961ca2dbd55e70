import { vesselAt, type Vessel } from '@/core/matter/state'
import type { Form, Plan } from '@/core/plan/plan'
import { molarMass } from '@/core/substance/molarMass'
import type { Substance } from '@/core/substance/substance'
import { look, shortPlan, type ShortLine } from '@/test-support/matter'
import { forPlan, substanceRecords } from './records'

/** Something of a record as it is put into a vessel, as a chemist writes a case down to check what boils, warms and meets. */
export type Poured = ShortLine

const known = new Map<string, Substance>()
const record = (id: string): Substance => {
  const found = known.get(id) ?? forPlan(substanceRecords.find((each) => each.id === id)!)
  known.set(id, found)
  return found
}

/** mmol of so many grams of a record. */
export const mmolOf = (id: string, g: number): number => (1000 * g) / molarMass(record(id).formula!)

const poured = (id: string, form: Form, of: Pick<ShortLine, 'g' | 'mL' | 'mmol'>): Poured => ({ of: record(id), form, ...of })

export const neat = (id: string, g: number): Poured => poured(id, { kind: 'neat', purity: 1 }, { g })
export const solid = (id: string, g: number): Poured => poured(id, { kind: 'solid', purity: 1 }, { g })
/** So many grams of a solution in water of that many per cent by mass. */
export const inWater = (id: string, g: number, percent: number): Poured =>
  poured(id, { kind: 'mass-fraction', fraction: percent / 100, gPerML: 1, source: 'x' }, { mL: g })
export const solution = (id: string, mL: number, molPerL: number, solvent?: string): Poured =>
  poured(id, { kind: 'solution', molPerL, ...(solvent ? { solvent } : {}) } as Form, { mL })
/** A liquid of which nobody has said how much. */
export const someOf = (id: string): Poured => poured(id, { kind: 'neat', purity: 1 }, {})

/** A plan that puts some things together, and others to them in a second step where they are given. */
function putTogether(first: readonly Poured[], then: readonly Poured[] = []) {
  const lines = Object.fromEntries([...first, ...then].map((each, at) => [`l${at}`, each]))
  const named = (from: number, to: number) => Array.from({ length: to - from }, (_, at) => `{l${from + at}}`).join('')
  const all = first.length + then.length
  return shortPlan(lines, [
    { op: 'charge', in: named(0, first.length) },
    ...(then.length > 0 ? [{ op: 'add' as const, in: named(first.length, all) }] : []),
  ])
}

/** The vessel in which things stand together, before anything has come of it. */
export const vesselOf = (...all: readonly Poured[]): Vessel =>
  all.length === 0 ? { name: 'empty', phases: [], atC: 20 } : vesselAt(look(putTogether(all)).bench(0, 'during'))

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
