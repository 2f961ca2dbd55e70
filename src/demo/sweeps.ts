import { samplesOf, type Plan, type Step, type WorkRow, type WorkValue } from '@/core/plan/plan'
import type { Measured } from '@/core/operations/planner'
import { changeStep } from '@/core/plan/editPlan'
import type { Instrument, Lab } from '@/core/lab/lab'
import type { Field, RowsField } from '@/core/operations/fields'
import { operationOf } from '@/core/operations/registry'
import { typedFor } from '@/core/plan/typedFor'
import type { Place } from './places'

/** What a blank is turned to: its bounds, and half and twice what stands there; each choice; other substances; fewer rows, more, and each of their cells at its ends. */
export function turns(field: Field, now: WorkValue | undefined, names: readonly string[] = []): WorkValue[] {
  if (field.kind === 'choice') return field.ways.map(({ value }) => value).filter((value) => value !== now)
  if (field.kind === 'text') return field.offers === 'samples' ? [''] : ['', 'water', ...names]
  if (field.kind === 'rows') return rowTurns(field, Array.isArray(now) ? now : [])
  if (field.kind !== 'number') return []
  const value = typeof now === 'number' ? now : 0
  const near = value === 0 ? [1, field.most / 10] : [value * 0.5, value * 0.9, value * 1.1, value * 2]
  const all = [field.least, ...near.map(short4), field.most]
  return [...new Set(all)].filter((each) => each >= field.least && each <= field.most && each !== now)
}

function rowTurns({ columns, fresh }: RowsField, rows: readonly WorkRow[]): WorkRow[][] {
  const first = rows[0] ?? fresh
  const cells = columns.flatMap((column) =>
    column.kind === 'text'
      ? [{ ...first, [column.key]: 'ethanol' }]
      : turns(column, first[column.key]).map((value) => ({ ...first, [column.key]: value as string | number })),
  )
  const others = rows.slice(1)
  return [[], [...rows, fresh], [...rows, ...rows, ...rows].slice(0, 3), others, ...cells.map((row) => [row, ...others])]
}

const short4 = (value: number) => Number(value.toPrecision(4))

/** A place with a blank turned to a value. */
export const turned = ({ plan, step, ...place }: Place, key: string, value: WorkValue): Place => {
  const changed = changeStep(plan, step.id, {
    work: { of: operationOf(step), ...typedFor(step), [key]: value } as Step['work'],
  })
  return { ...place, plan: changed, step: changed.steps.find(({ id }) => id === step.id)! }
}

const apparatus = (trueC: readonly number[], readC: readonly number[]): Instrument => ({
  id: 'apparatus',
  name: 'Apparatus 1',
  checkedOn: '2026-09-01',
  standards: trueC.map((celsius, index) => ({ name: 'a standard', trueC: celsius, readC: readC[index]! })),
})

/** Laboratories that decide otherwise in one thing each. */
export const labs: [name: string, lab: Partial<Lab>][] = [
  ['at 1600 m', { pressure: { by: 'altitude', value: 1600 } }],
  ['simple from 30 K', { simpleFromK: 30 }],
  ['by factor', { crystallisationVolume: 'factor' }],
  ['in portions', { crystallisationVolume: 'portions' }],
  ['both through the tap', { layersOut: 'both through the tap' }],
  ['sodium sulfate', { dryingAgent: 'sodium sulfate' }],
  ['hood', { gas: 'hood' }],
  ['sink', { harmlessWater: 'sink' }],
  ['apparatus', { instruments: [apparatus([50, 80.2, 121.7, 148], [50.6, 81.1, 123.2, 150.1])] }],
  ['apparatus with two standards', { instruments: [apparatus([80.2, 121.7], [81.1, 123.2])] }],
  ['apparatus with one standard', { instruments: [apparatus([121.7], [123.2])] }],
]
/** A run in which everything was measured, so much more or less of it. */
export const measuredBy = (plan: Plan, id: string, factor: number): Measured => ({
  samples: Object.fromEntries(samplesOf(plan).map((sample, index) => [sample, (2 + index / 2) * factor])),
  usedML: { [id]: 30 * factor },
  temperatures: {
    [id]: [15, 40, 70, 95].map((celsius, index) => ({ atMin: 8 * index, celsius: celsius * factor })),
  },
  weighings: { [id]: [2.2, 2.11, 2.1, 2.1].map((massG, index) => ({ atMin: 15 * index, massG: massG * factor })) },
  heads: {
    [id]: [80, 81, 83, 92, 108, 110].map((headC, index) => ({ volumeML: 3 * index * factor, headC })),
  },
  windows: {},
  pH: { [id]: 4 * factor },
  titresML: { [id]: [21.4, 21.46, 22].map((titre) => titre * factor) },
})
