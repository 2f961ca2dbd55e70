import { changeStep, removeStep } from '@/core/plan/editPlan'
import type { Line, Plan } from '@/core/plan/plan'
import { forPlan, substanceRecords } from '@/reference/records'

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
export const variantsOf = (plan: Plan): [name: string, plan: Plan][] => [
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
