import { createHash } from 'node:crypto'
import { samplesOf, type Plan, type Step, type WorkRow, type WorkValue } from '@/core/plan/plan'
import { recoveryByVolume } from '@/core/operations/crystallise/planner'
import { recoveryByPortions } from '@/core/operations/extract/whereItIs'
import { keeperOf } from '@/core/operations/keepsBack'
import type { Measured } from '@/core/operations/planner'
import { changeStep } from '@/core/plan/editPlan'
import { scalePlan } from '@/core/edit/scalePlan'
import { defaultLab, type Instrument, type Lab } from '@/core/lab/lab'
import type { Field, RowsField } from '@/core/operations/fields'
import { contextOf, filledFor, plannerFor, reportFor, suggestedFor, tablesFor, takenFor } from '@/core/operations/planners'
import { operationOf } from '@/core/operations/registry'
import { typedFor } from '@/core/plan/typedFor'
import { queriesOf } from '@/core/query/queries'
import { reactionTable, type ReactionTable } from '@/core/reaction/reactionTable'
import { crystallisationSolvents } from '@/reference/records'
import type { Place } from './places'

const rounded = (value: unknown): unknown =>
  typeof value === 'number'
    ? Number(value.toPrecision(5))
    : Array.isArray(value)
      ? value.map(rounded)
      : value !== null && typeof value === 'object'
        ? Object.fromEntries(Object.entries(value).map(([key, part]) => [key, rounded(part)]))
        : value
export const plain = (value: unknown) => (typeof value === 'string' ? value : JSON.stringify(rounded(value)))
export const short = (value: unknown) => createHash('sha1').update(plain(value)).digest('hex').slice(0, 6)

/** The figures that stand in words, with what is done with them: how they are said may change. */
const figuresIn = (words: string) => (words.match(/\d+(?:\.\d+)?|[−+×÷·=]/g) ?? []).join(' ')

export type Following = ReadonlyMap<string, string>

/** What follows from a step as it stands, each thing under its name; with the tables and the queries of the whole plan where they are asked for, which take longer. */
export function following(
  plan: Plan,
  table: ReactionTable,
  id: string,
  asks: boolean,
  { lab = defaultLab, measured }: { lab?: Lab; measured?: Measured } = {},
): Following {
  const step = plan.steps.find((each) => each.id === id)!
  const context = contextOf(plan, table, step, lab, measured, crystallisationSolvents)
  const suggested = suggestedFor(context)
  const filled = filledFor(context, suggested)
  const { facts, advice, ladder } = reportFor(context, filled)!
  const found = new Map<string, string>()
  for (const [key, value] of Object.entries(filled)) found.set(key, typeof value === 'object' ? short(value) : plain(value))
  found.set('from', short(Object.entries(suggested).map(([key, { from, words }]) => `${key} ${from} ${figuresIn(words)}`)))
  for (const { id: of, value, text, how = '', atBench } of facts)
    found.set(`=${of}`, `${plain(value)} ${short(figuresIn(text + how) + (atBench ? '*' : ''))}`)
  for (const { id: of, level, words, why = '' } of advice) found.set(`!${of}`, `${level} ${figuresIn(words + why)}`.trim())
  if (ladder) found.set('rungs', short(figuresIn(ladder.rungs.join('; '))))
  found.set(
    'said',
    short(
      plannerFor(step)!
        .sentences(filled)
        .map((sentence) => sentence.match(/\{[^}]*\}/g)),
    ),
  )
  found.set('takes', short(takenFor(context, filled)))
  if (!asks) return found
  for (const [name, value] of Object.entries(tablesFor(context, filled))) found.set(`#${name}`, short(value))
  const operation = operationOf(step)
  if (operation === 'extract') found.set('#by portions', short(recoveryByPortions(context, filled as never)))
  if (operation === 'crystallise') found.set('#by volume', short(recoveryByVolume(filled as never)))
  for (const query of queriesOf(plan, table)) found.set(`?${query.id}`, `asked ${figuresIn(query.evidence)}`.trim())
  return found
}

/** What a blank is turned to: its bounds, and half and twice what stands there; each choice; other substances; fewer rows, more, and each of their cells at its ends. */
function turns(field: Field, now: WorkValue | undefined, names: readonly string[] = []): WorkValue[] {
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

const plainly = (value: WorkValue) => (typeof value === 'object' ? short(value) : plain(value))

/** Where nothing changes. */
const same = '='

const changed = (before: Following, after: Following): string =>
  [...new Set([...before.keys(), ...after.keys()])]
    .filter((key) => before.get(key) !== after.get(key))
    .map((key) => `${key} ${after.get(key) ?? '–'}`)
    .join('; ') || same

/** A place with a blank turned to a value. */
const turned = ({ plan, step, ...place }: Place, key: string, value: WorkValue): Place => ({
  ...place,
  plan: changeStep(plan, step.id, { work: { of: operationOf(step), ...typedFor(step), [key]: value } as Step['work'] }),
  step,
})

const read = (place: Place, asks: boolean, at?: { lab?: Lab; measured?: Measured }) =>
  following(place.plan, reactionTable(place.plan), place.step.id, asks, at)

/** What is advised and which figures there are, without what they come to. */
const kinds = (found: Following) =>
  [...found].map(([key, value]) => (key.startsWith('!') ? `${key} ${value.split(' ')[0]}` : key)).join(' ')

/** Where what is advised changes while a blank goes from its least to its most: the last value before and the first after, each as short as it can be written. */
export function edgesOf(place: Place, field: Field): number[] {
  if (field.kind !== 'number') return []
  const at = (value: number) => kinds(read(turned(place, field.key, value), false))
  const low = Math.max(field.least, 0)
  const between = [0.001, 0.003, 0.01, 0.03, 0.1, 0.2, 0.35, 0.5, 0.75].map((part) => low + part * (field.most - low))
  const points = [...new Set([field.least, low, ...between, field.most].map(short4))].sort((a, b) => a - b)
  return points.slice(1).flatMap((to, index) => {
    let [from, until] = [points[index]!, to]
    const [before, after] = [at(from), at(until)]
    if (before === after) return []
    // That nothing at all is another thing than a little is seen at the first two points.
    if (from === 0 && at(1e-4 * until) === after) return []
    while (until - from > 1e-4 * Math.max(Math.abs(until), Math.abs(from), 1e-3)) {
      const middle = (from + until) / 2
      if (at(middle) === before) from = middle
      else until = middle
    }
    // A threshold that someone chose is a short figure, and lies between the two.
    for (let digits = 1; digits < 4; digits++) {
      const chosen = Number(until.toPrecision(digits))
      if (chosen >= from && chosen <= until) return [short4(from), chosen, short4(until)]
    }
    return [short4(from), short4(until)]
  })
}

const apparatus = (trueC: readonly number[], readC: readonly number[]): Instrument => ({
  id: 'apparatus',
  name: 'Apparatus 1',
  checkedOn: '2026-09-01',
  standards: trueC.map((celsius, index) => ({ name: 'a standard', trueC: celsius, readC: readC[index]! })),
})

const labs: [name: string, lab: Partial<Lab>][] = [
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
const measuredBy = ({ plan, step: { id } }: Place, factor: number): Measured => ({
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

/** What a step keeps back of each substance of the plan in such a run. */
function keptBack(place: Place, factor: number): string[] {
  const { plan, step } = place
  const context = contextOf(plan, reactionTable(plan), step, defaultLab, measuredBy(place, factor))
  return plan.substances.flatMap((substance) => {
    const kept = keeperOf(step)?.(context, { substance, reachedG: 3 })
    if (!kept) return []
    const { how = '', ...rest } = { how: '', ...kept }
    return [`keeps back ${substance.id} × ${factor}: ${plain({ ...rest, how: figuresIn(how) })}`]
  })
}

/** Two blanks turned at once: each choice with each other choice, and with other rows. */
function pairs(place: Place, before: Following): string[] {
  const { fields } = plannerFor(place.step)!
  const filled = filledFor(contextOf(place.plan, reactionTable(place.plan), place.step))
  const choices = fields.filter(({ kind }) => kind === 'choice' || kind === 'rows')
  return choices.flatMap((one, index) =>
    choices.slice(index + 1).flatMap((other) =>
      turns(one, filled[one.key])
        .slice(0, 4)
        .flatMap((first) => {
          const placed = turned(place, one.key, first)
          const again = { ...placed, step: placed.plan.steps.find(({ id }) => id === place.step.id)! }
          return turns(other, filled[other.key])
            .slice(0, 4)
            .map((second) => {
              const says = changed(before, read(turned(again, other.key, second), false))
              return `${one.key} ${plainly(first)} and ${other.key} ${plainly(second)}: ${says}`
            })
        }),
    ),
  )
}

const scales = [0.02, 0.2, 5, 50]

/** Every blank of a planner turned through its values and the `edges` that are known of it, then the scale, the laboratory and what is measured, and what each turn changes. At the ends of a blank tables and queries are worked out too. */
export function sweep(place: Place, edges: (field: Field) => readonly number[]): string[] {
  const { plan, step } = place
  const before = { quiet: read(place, false), asked: read(place, true) }
  const filled = filledFor(contextOf(plan, reactionTable(plan), step))
  const blanks = plannerFor(step)!.fields.flatMap((field) => {
    const names = plan.substances.map(({ name }) => name)
    const usual = turns(field, filled[field.key], names)
    const values = new Set([...usual, ...(field.kind === 'number' ? edges(field) : [])])
    values.delete(filled[field.key]!)
    return [...values].map((value) => {
      const asks = field.kind !== 'number' || value === field.least || value === field.most
      const after = read(turned(place, field.key, value), asks)
      return `${field.key} ${plainly(value)}: ${changed(asks ? before.asked : before.quiet, after)}`
    })
  })
  const scaled = scales.map((factor) => {
    const after = read({ ...place, plan: scalePlan(plan, factor) }, false)
    return `scale ${factor}: ${changed(before.quiet, after)}`
  })
  const elsewhere = labs.flatMap(([name, lab]) => {
    // Whoever has an apparatus says so in the step.
    const has = lab.instruments && plannerFor(step)!.fields.some(({ key }) => key === 'instrument')
    const there = has ? turned(place, 'instrument', 'apparatus') : place
    const says = changed(before.quiet, read(there, false, { lab: { ...defaultLab, ...lab } }))
    return says === same ? [] : [`laboratory ${name}: ${says}`]
  })
  const run = [0.1, 1, 2.5].flatMap((factor) => {
    const says = changed(before.quiet, read(place, false, { measured: measuredBy(place, factor) }))
    return [...(says === same ? [] : [`run × ${factor}: ${says}`]), ...keptBack(place, factor)]
  })
  const stands = [...before.asked].map((each) => each.join(' ')).join('; ')
  return [`as it stands: ${stands}`, ...blanks, ...pairs(place, before.quiet), ...scaled, ...elsewhere, ...run]
}
