import { vesselAt, type Vessel } from '@/core/matter/state'
import type { Form } from '@/core/plan/plan'
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
