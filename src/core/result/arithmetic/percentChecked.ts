import { crudeSample, mainResult, productSample } from '../../plan/plan'
import { computedLine, theoreticalYield } from '../../reaction/reactionTable'
import type { RunState } from '../../run/foldRun'
import type { BaseResults } from '../baseResults'
import type { Checked, Worked } from './checked'
import { significant } from './significant'
import { isNear, slipOf, type Slip } from './slip'

/** Their yield or recovery beside what their weighings give. */
export function percentChecked(run: RunState, base: BaseResults, { theoreticalG }: Worked, typed: number): Checked[] {
  const { plan } = run
  const { result, whole } = base
  const final = mainResult(plan)?.recovery?.sample ?? productSample(plan)
  const product = run.samples[final]
  if (!result || !whole || !product) return []
  const right = 100 * result.figure.value
  const word = result.kind === 'yield' ? 'yield' : 'recovery'
  const crude = run.samples[crudeSample(plan)]
  const dried = run.steps.find(({ step }) => step.kind === 'dry' && step.sample === final)?.net?.series ?? []
  const ofWhole = (g: number) => (100 * g) / whole.value
  const planned = theoreticalYield(plan, run.planned)?.value
  const limit = computedLine(base.table, base.limiting[0] ?? plan.reference)
  const slips: Slip[] = [
    { value: right / 100, words: 'That is the fraction: a hundred times as many per cent.' },
    { value: 10_000 / right, words: 'Product and whole are the wrong way round.' },
    ...dried.slice(0, -1).map(({ massG }) => ({
      value: ofWhole(massG),
      words: `That is with the wet mass, ${significant(massG)} g: the last weighing counts.`,
    })),
    ...(crude && final !== crudeSample(plan)
      ? [
          {
            value: ofWhole(crude.mass.value),
            words: `That is with the crude mass, ${significant(crude.mass.value)} g: the purified product counts.`,
          },
          ...(base.recovery && result.kind === 'yield'
            ? [
                {
                  value: 100 * base.recovery.figure.value,
                  words: 'That is the recovery of the crystallisation, purified over crude: a yield counts from the theory.',
                },
              ]
            : []),
        ]
      : []),
    ...(limit.mass
      ? [
          {
            value: (100 * product.mass.value) / limit.mass.value,
            words: `That is product over the mass of ${limit.substance.name}: masses of different substances are not compared.`,
          },
        ]
      : []),
    ...(planned !== undefined && result.kind === 'yield'
      ? [{ value: (100 * product.mass.value) / planned, words: 'That counts from the plan’s theory, not from what you charged.' }]
      : []),
    { value: 100 - right, words: 'That is what was lost.' },
  ]
  const ok = isNear(typed, right)
  const theirs = theoreticalG === undefined || result.kind !== 'yield' ? undefined : (100 * product.mass.value) / theoreticalG
  const follows = !ok && theirs !== undefined && isNear(typed, theirs)
  return [
    {
      field: 'percent',
      of: `per cent ${word}`,
      typed: `${significant(typed)} %`,
      right: `${significant(right)} %`,
      ok,
      follows,
      slip: ok || follows ? null : slipOf(typed, slips),
      working: `100 × ${significant(product.mass.value)} g ÷ ${significant(whole.value)} g = ${significant(right)} %`,
    },
  ]
}
