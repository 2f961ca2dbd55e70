import { isopentylAcetate } from '@/test-support/plans'
import { addStep } from '../../edit/addStep'
import { changeStep } from '../../plan/editPlan'
import { substanceOf } from '../../plan/plan'
import { reactionTable } from '../../reaction/reactionTable'
import { contextOf, reportFor } from '../planners'

/** A steam distillation of 13.0 g (100 mmol) of isopentyl acetate with so much water in the pot. */
function carried(waterMmol: number, more: Record<string, number> = {}) {
  const { plan: bare, id } = addStep(isopentylAcetate, 'distil')
  const logP = { value: 2.25, source: 'known to part from water' }
  const plan = { ...bare, substances: bare.substances.map((each) => (each.formula === 'C7H14O2' ? { ...each, logP } : each)) }
  const [ester, water] = ['C7H14O2', 'H2O'].map(
    (formula) => plan.lines.map((line) => substanceOf(plan, line)).find((substance) => substance.formula === formula)!.name,
  )
  const components = [
    { name: ester!, mmol: 100 },
    { name: water!, mmol: waterMmol },
  ]
  const typed = changeStep(plan, id, { work: { of: 'distil', components, wantedOf: ester!, mmHg: 760, stopML: 5, ...more } })
  const report = reportFor(
    contextOf(
      typed,
      reactionTable(typed),
      typed.steps.find((step) => step.id === id)!,
    ),
  )!
  return {
    fact: (name: string) => report.facts.find((each) => each.id === name)?.value,
    advice: (name: string) => report.advice.find((each) => each.id === name),
  }
}

test('the water that comes over with it is counted: into the receiver, and out of the pot', () => {
  const { fact, advice } = carried(1000)
  // By hand from the sentence: 13.02 g ÷ g to the gram of water.
  const perGram = Number(/([\d.]+) g to the gram of water/.exec(advice('steam')!.words)![1])
  expect(fact('water-over')! * perGram).toBeCloseTo(13.02, 0)
  expect(fact('receiver')).toBeCloseTo(fact('water-over')! + 13.02 / 0.872, 0)
  // 18 mL in the pot are enough for what comes over and 5 mL that stay; with too little the rest is let in.
  expect(advice('steam-water')).toBeUndefined()
  const over = fact('water-over')!
  const enough = ((over + 5) * 1000) / 18.015
  expect(carried(enough * 1.01).advice('steam-water')).toBeUndefined()
  expect(carried(enough * 0.9).advice('steam-water')?.level).toBe('doubt')
})

test('where no water is in the pot nothing is counted: how it goes with steam is only said', () => {
  const { fact, advice } = carried(0)
  expect(fact('water-over')).toBeUndefined()
  expect(advice('steam-water')).toBeUndefined()
  expect(advice('steam')).toBeDefined()
})
