import { slower } from '@/test-support/slower'
import { defaultLab } from '@/core/lab/lab'
import { likely } from '@/core/matter/span'
import { walkOnce } from '@/core/matter/walk'
import { effectOf } from '@/core/operations/effects'
import type { Plan } from '@/core/plan/plan'
import { reactionTable } from '@/core/reaction/reactionTable'
import { shortPlan, type ShortLine, type ShortStep } from '@/test-support/matter'

/** Forty steps with fifteen substances: a synthesis with its work-up, done over twice. */
const lines: Record<string, ShortLine> = {
  acid: { of: 'benzoic acid', g: 5, role: 'reactant', nu: 1 },
  alcohol: { of: 'ethanol', mL: 20, role: 'reactant', nu: 1, form: { kind: 'neat', purity: 0.95 } },
  catalyst: {
    of: 'sulfuric acid',
    mL: 1,
    role: 'catalyst',
    form: { kind: 'mass-fraction', fraction: 0.96, gPerML: 1.84, source: 'label' },
  },
  water: { of: 'water', mL: 60 },
  ether: { of: 'diethyl ether', mL: 50, role: 'solvent' },
  bicarbonate: { of: 'sodium bicarbonate', mL: 40, form: { kind: 'solution', molPerL: 0.8 } },
  brine: { of: 'sodium chloride', mL: 20, form: { kind: 'mass-fraction', fraction: 0.26, gPerML: 1.2, source: 'saturated' } },
  agent: { of: 'magnesium sulfate', g: 3 },
  base: { of: 'sodium hydroxide', mL: 30, form: { kind: 'solution', molPerL: 2 } },
  hcl: { of: 'hydrochloric acid', mL: 40, form: { kind: 'solution', molPerL: 3 } },
  naphthalene: { of: 'naphthalene', g: 1 },
  aniline: { of: 'aniline', mL: 2 },
  acetanilide: { of: 'acetanilide', g: 2 },
  ester: { of: 'ethyl benzoate', role: 'product', nu: 1, form: { kind: 'neat', purity: 1 } },
  byWater: { of: 'water', role: 'by-product', nu: 1, form: { kind: 'neat', purity: 1 } },
}

const once: ShortStep[] = [
  { op: 'charge', in: '{acid 50 %}{alcohol 50 %}', vessel: { kind: 'round-bottom', sizeML: 100 } },
  { op: 'charge', in: '{catalyst 50 %}' },
  { op: 'charge', in: '{naphthalene 50 %}{aniline 50 %}' },
  { op: 'reflux' },
  { op: 'cool', typed: { toC: 20 } },
  { op: 'charge', in: '{ether 50 %}' },
  { op: 'wash', in: '{water 30 %}', typed: { into: 'W', portions: 2 }, vessel: { kind: 'separating funnel', sizeML: 250 } },
  { op: 'wash', in: '{hcl 25 %}', typed: { into: 'A', portions: 2 } },
  { op: 'wash', in: '{bicarbonate 50 %}', typed: { into: 'B', portions: 2 } },
  { op: 'wash', in: '{brine 50 %}', typed: { into: 'S' } },
  { op: 'dry-solution', in: '{agent 50 %}' },
  { op: 'decant' },
  { op: 'evaporate' },
  { op: 'distil', typed: { stopML: 1 } },
  { op: 'weigh', more: { sample: 'ester' } as never },
  { op: 'quench', in: '{hcl 25 %}', typed: { flask: 'B' } },
  { op: 'filter', typed: { keep: 'solid', times: 2, rinseWith: 'water' } },
  { op: 'dry', more: { sample: 'acid' } as never },
  { op: 'quench', in: '{base 50 %}', typed: { flask: 'A' } },
  { op: 'filter', typed: { keep: 'solution' } },
]

test('a plan of 40 steps and 15 substances is walked within a keystroke; a change that moves no matter in a part of that, wherever it is', () => {
  const plan = shortPlan(lines, [...once, ...once], { mainProduct: 'ester' })
  expect(plan.steps).toHaveLength(40)
  const table = reactionTable(plan)
  let { steps } = plan
  const walked = () => {
    const began = process.cpuUsage()
    walkOnce({ plan: { ...plan, steps }, table, lab: defaultLab, effects: effectOf }, likely)
    const { user, system } = process.cpuUsage(began)
    return (user + system) / 1000
  }
  const median = (change: (step: Plan['steps'][number], at: number, turn: number) => Plan['steps'][number]) =>
    Array.from({ length: 40 }, (_, turn) => {
      steps = steps.map((step, at) => change(step, at, turn))
      return walked()
    })
      .slice(20)
      .sort((a, b) => a - b)[10]!
  const all = median((step) => ({ ...step, handsOnMin: step.handsOnMin + 1 }))
  const first = median((step, at, turn) => (at === 0 ? { ...step, handsOnMin: turn } : step))
  const last = median((step, at, turn) => (at === 38 ? { ...step, handsOnMin: turn } : step))
  console.info(
    `every step anew ${all.toFixed(2)} ms, the first step's minutes ${first.toFixed(2)} ms, the last's ${last.toFixed(2)} ms`,
  )
  // By the processor's own time, interpreted by the test runner, on a machine of which others take their share.
  expect(all).toBeLessThan(200 * slower())
  expect(first).toBeLessThan(all / 4)
  expect(last).toBeLessThan(all / 4)
})
