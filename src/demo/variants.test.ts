/** Every plan of the demo changed in one place after the other, and what follows from each change in its steps, vessels and queries. */
import path from 'node:path'
import { Kept } from '@/test-support/kept'
import { plans } from './plans'
import { madeLines, stepLines, variantLines } from './variants'

const kept = new Kept(path.join(__dirname, 'variants.txt'))
afterAll(() => kept.write())

test.each(plans.map((plan) => [plan.title, plan] as const))('%s', (title, plan) => kept.holds(title, variantLines(plan)))

test('what a new step has', () => kept.holds('what a new step has', madeLines(plans)))

test.each(plans.map((plan) => [plan.title, plan] as const))('the steps of %s', (title, plan) =>
  kept.holds(`steps of ${title}`, stepLines(plan)),
)
