import { experimental } from '@/core/format/experimental'
import { emptyPlan } from '@/core/edit/newPlan'
import { plans } from './plans'

const told = (title: string) => experimental(plans.find((plan) => plan.title === title)!)

test('acetanilide: amount, mass, mmol and equivalents in this order, and what was done in the past', () => {
  expect(told('Acetanilide')).toEqual([
    'Aniline (4.00 mL, 4.09 g, 43.5 mmol, 1.00 equiv), acetic acid (5.0 mL), zinc dust (0.10 g, 1.5 mmol, 0.035 equiv) and acetic anhydride (5.00 mL, 5.41 g, 51.9 mmol, 1.20 equiv) were added. The mixture was heated under reflux for 20 min. It was poured into water (80 mL), cooled in ice and water to below 5 °C and filtered. The crude product was recrystallised from water (98 mL). It was cooled in ice and water to below 5 °C and filtered. The product was dried at 60 °C. Theoretical yield 5.87 g.',
  ])
})

test('washes of one layer stand in one sentence, one portion is none, and a window is told', () => {
  const [text] = told('Isopentyl acetate')
  expect(text).toContain(
    'The organic layer was washed with water (40 mL) in 2 portions, then with 0.6 mol/L sodium bicarbonate (40 mL) in 3 portions, then with 26 % sodium chloride (5 mL).',
  )
  expect(text).toContain('what came over between 135 °C and 143 °C was collected')
})

test('each day of the work is a paragraph, a part of a line is so much of it', () => {
  const days = told('2-Methylhexan-2-ol')
  expect(days).toHaveLength(2)
  expect(days[0]).toContain('1-bromobutane (0.54 mL, 0.69 g, 5.0 mmol)')
})

test.each(plans.map((plan) => [plan.title, plan] as const))('%s: sentences without a blank left open', (_, plan) => {
  for (const day of experimental(plan)) {
    expect(day).not.toMatch(/[{}[\]]|undefined|NaN|\s[.,]|\.\./)
    expect(day).toMatch(/^\p{Lu}|^\d/u)
  }
})

test('a plan without a procedure tells nothing', () => expect(experimental(emptyPlan('x'))).toEqual([]))
