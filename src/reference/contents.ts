import type { Form, Line } from '@/core/plan/plan'
import type { Content } from '@/core/operations/vessel/content'
import { molarMass } from '@/core/substance/molarMass'
import { forPlan, substanceRecords } from './records'

/** Contents of a vessel made of records, as a chemist writes a case down to check what boils, warms and meets. */
const record = (id: string) => forPlan(substanceRecords.find((each) => each.id === id)!)
const mmolOf = (id: string, grams: number) => (1000 * grams) / molarMass(record(id).formula!)

export const content = (id: string, form: Form, of: Pick<Content, 'massG' | 'volumeML' | 'mmol'>): Content => ({
  line: { id, form } as Line,
  substance: record(id),
  ...of,
  holds: [],
})
export const neat = (id: string, grams: number) =>
  content(id, { kind: 'neat', purity: 1 }, { massG: grams, volumeML: grams, mmol: mmolOf(id, grams) })
export const solid = (id: string, grams: number) =>
  content(id, { kind: 'solid', purity: 1 }, { massG: grams, volumeML: null, mmol: mmolOf(id, grams) })
/** So many grams of a solution in water of that many per cent by mass. */
export const inWater = (id: string, grams: number, percent: number) =>
  content(
    id,
    { kind: 'mass-fraction', fraction: percent / 100, gPerML: 1, source: 'x' },
    { massG: grams, volumeML: grams, mmol: mmolOf(id, (grams * percent) / 100) },
  )
