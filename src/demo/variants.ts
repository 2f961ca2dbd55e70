import { addStep } from '@/core/edit/addStep'
import { ownBlank, type OwnKey } from '@/core/operations/own'
import { besidesIn, readingsOf } from '@/core/operations/readings'
import { operationIn, operationKeys } from '@/core/operations/registry'
import { changeStep, removeStep } from '@/core/plan/editPlan'
import { gasesIn } from '@/core/operations/vessel/gasesIn'
import { stepContents } from '@/core/operations/vessel/contents'
import { placedIn } from '@/core/operations/vessel/placedIn'
import { contextOf, filledFor, plannerFor } from '@/core/operations/planners'
import type { Line, Plan } from '@/core/plan/plan'
import { queriesOf } from '@/core/query/queries'
import { reactionTable } from '@/core/reaction/reactionTable'
import { safetySheet } from '@/core/safety/safetySheet'
import { forPlan, substanceRecords } from '@/reference/records'
import { following, plain, short } from './sweeps'

/** What a plan comes to: of each step what its planner says, and of the whole what there is in its vessels, what comes off, what is asked. */
function comesTo(plan: Plan): Map<string, string> {
  const table = reactionTable(plan)
  const found = new Map<string, string>()
  for (const step of plan.steps)
    if (plannerFor(step)) found.set(step.id, short([...following(plan, table, step.id, false)].join('\n')))
  const inside = stepContents(plan, table).map(({ step, volumeML, contents }) => [
    step,
    volumeML,
    contents.map(({ line, massG, volumeML }) => [line.id, massG, volumeML]),
  ])
  found.set('=vessels', short(inside))
  found.set('=gases', short(gasesIn(plan, table).map((each) => Object.values(each).filter((part) => typeof part !== 'object'))))
  found.set(
    '=waste',
    short([...placedIn(plan, table)].map(([stream, { contents }]) => [stream, contents.map(({ line }) => line.id)])),
  )
  found.set('=dangers', short(safetySheet(plan).dangers.map(({ steps }) => steps.length)))
  found.set('=asked', short(queriesOf(plan, table).map(({ id, evidence }) => [id, evidence.match(/\d+(?:\.\d+)?/g)])))
  return found
}

/** What stands in the place of a line's substance, each in its turn. */
const instead = {
  liquid: ['dichloromethane', 'ethanol', 'aniline', 'acetic-acid', 'water', 'acetone', 'diethyl-ether', 'hexane', 'benzaldehyde'],
  solid: ['benzoic-acid', 'sodium-carbonate', '4-toluidine', 'sodium-chloride', 'calcium-chloride', '2-naphthol', 'zinc'],
} as const

function swapped(plan: Plan, line: Line, turn: number): [name: string, plan: Plan] {
  const these = instead[line.form.kind === 'solid' ? 'solid' : 'liquid']
  const id = these[turn % these.length]!
  const substance = forPlan(substanceRecords.find((each) => each.id === id)!)
  return [
    `${line.id} is ${id}`,
    {
      ...plan,
      substances: [...plan.substances.filter((each) => each.id !== id), substance],
      lines: plan.lines.map((each) => (each === line ? { ...line, substance: id } : each)),
    },
  ]
}

const times = (plan: Plan, line: Line, factor: number): [name: string, plan: Plan][] => {
  if (!line.anchor || !('quantity' in line.anchor)) return []
  const { quantity } = line.anchor
  const anchor = { ...line.anchor, quantity: { ...quantity, value: quantity.value * factor } }
  return [[`${line.id} × ${factor}`, { ...plan, lines: plan.lines.map((each) => (each === line ? { ...line, anchor } : each)) }]]
}

/** Each step in its turn is done otherwise: at once, or without its vessel, its finish signs, its blanks, all of it at once. */
const otherwise: readonly Readonly<Record<string, unknown>>[] = [
  { holdMin: 0, waitMin: 0 },
  { vessel: undefined },
  { says: [] },
  { work: undefined },
  { portion: 0.4 },
]

/** A plan changed in one place: another substance in a line, ten times or a tenth of it, a step left out, another yield. */
const variantsOf = (plan: Plan): [name: string, plan: Plan][] => [
  ...plan.lines.flatMap((line, index) => [
    swapped(plan, line, index),
    swapped(plan, line, index + 3),
    ...times(plan, line, 10),
    ...times(plan, line, 0.1),
  ]),
  ...plan.steps.map(({ id }): [string, Plan] => [`without ${id}`, removeStep(plan, id)]),
  ...plan.steps.map((step, index): [string, Plan] => {
    const part = otherwise[index % otherwise.length]!
    return [`${step.id} with ${Object.keys(part).join(' and ')} otherwise`, changeStep(plan, step.id, part)]
  }),
  ['another yield', { ...plan, expectedYield: { low: 0.2, high: 0.3 } }],
]

/** Each variant of a plan, and what is another in it than in the plan itself. */
export function variantLines(plan: Plan): string[] {
  const before = comesTo(plan)
  return variantsOf(plan).map(([name, variant]) => {
    const after = comesTo(variant)
    const differs = [...after].filter(([key, value]) => before.get(key) !== value).map((each) => each.join(' '))
    return `${name}: ${differs.join('; ') || '='}`
  })
}

const ownKeys: OwnKey[] = [
  '@line',
  '@solvent',
  '@sample',
  '@from',
  '@to',
  '@holdMin',
  '@handsOnMin',
  '@waitMin',
  '@dry',
  '@endsDay',
  '@portion',
  '@mayDiffer',
  '@measure',
  '@container',
  '@device',
  '@agreement',
  '@vessel',
  '@sizeML',
  '@witness',
]

/** Each step as it stands: what is written in it, what besides, and each of its own fields with what follows from writing it. */
export const stepLines = (plan: Plan): string[] =>
  plan.steps.map((step) => {
    const blanks = ownKeys.flatMap((key) => {
      const blank = ownBlank(key, step, plan)
      if (!blank) return []
      const { field, value, part } = blank
      const others =
        field.kind === 'choice'
          ? field.ways.map((way) => way.value)
          : field.kind === 'number'
            ? [field.least, 20, field.most]
            : [value]
      return [[key, field, value, blank.follows, others.map((each) => ({ ...part(each) }))]]
    })
    return `${step.id} ${short(readingsOf(plan, step))} ${short(besidesIn(step))} ${short(operationIn(step)?.takes ?? [])} ${blanks.map((each) => `${String(each[0])} ${short(each)}`).join(' ')}`
  })

/** A new step of each operation, put at the end of each plan, and what it is filled with. */
export const madeLines = (plans: readonly Plan[]): string[] =>
  operationKeys.flatMap((key) => {
    const all = plans.map((plan) => {
      const { plan: after, id } = addStep(plan, key)
      const step = after.steps.find((each) => each.id === id)!
      const rest = Object.entries(step).filter(([name]) => !['id', 'kind', 'title', 'verb', 'text', 'caution'].includes(name))
      const filled = plannerFor(step) ? short(filledFor(contextOf(after, reactionTable(after), step))) : ''
      return `${key} ${short(operationIn(step)?.takes ?? [])} ${rest.map(([name, value]) => `${name}=${plain(value)}`).join(' ')} ${filled}`.trim()
    })
    return [...new Set(all)]
  })
