/** What an addition does that gives more heat than is led away: by hand, and for the accident that a class had with ethanol and chromic acid. */
import { defaultLab } from '@/core/lab/lab'
import { water } from '@/core/matter/thing'
import { boilsOff, minutesToCarry } from '@/core/operations/add/carriedAway'
import { contextOf, filledFor, reportFor } from '@/core/operations/planners'
import type { Plan } from '@/core/plan/plan'
import { reactionTable } from '@/core/reaction/reactionTable'
import { shortPlan, type ShortLine } from '@/test-support/matter'

test('41.05 kJ boil a mole of water off: 18 mL, 30.6 L of vapour at 760 mmHg', () => {
  // 110 J/(mol·K) × 373.15 K = 41.05 kJ/mol; 8.314 × 373.15 ÷ 101.325 kPa = 30.6 L.
  const { mL, vapourL } = boilsOff(41_047, water, 100, 760)
  expect(mL).toBeCloseTo(18.05, 1)
  expect(vapourL).toBeCloseTo(30.6, 1)
  expect(boilsOff(-1, water, 100, 760)).toEqual({ mL: 0, vapourL: 0 })
})

test('10 kJ through the wall of a flask with 100 mL at 40 °C in ice: 62.6 W, 2.7 min', () => {
  // 4.84 × (1e-4 m³)^⅔ = 0.01043 m²; × 150 W/(m²·K) × 40 K.
  expect(minutesToCarry(10_000, 100, 40)).toBeCloseTo(10_000 / 62.56 / 60, 2)
  // Twice the heat takes twice as long; eight times the volume has four times the wall.
  expect(minutesToCarry(20_000, 100, 40)).toBeCloseTo(2 * minutesToCarry(10_000, 100, 40), 9)
  expect(minutesToCarry(10_000, 800, 40)).toBeCloseTo(minutesToCarry(10_000, 100, 40) / 4, 9)
})

const flask = { kind: 'round-bottom', sizeML: 100 } as const
const chromic: Record<string, ShortLine> = {
  oxidiser: { of: 'potassium dichromate', g: 3.4 },
  acid: { of: 'sulfuric acid', mL: 18, form: { kind: 'solution', molPerL: 3 } },
  alcohol: { of: 'ethanol', mL: 1 },
}
const adding = (lines: Record<string, ShortLine>, typed: Record<string, string | number> = {}): Plan =>
  shortPlan(lines, [
    { op: 'charge', in: '{oxidiser}{acid}', vessel: flask },
    { op: 'add', in: '{alcohol}', typed },
  ])
const hot = (plan: Plan) => {
  const context = contextOf(plan, reactionTable(plan), plan.steps[1]!, defaultLab)
  return reportFor(context, filledFor(context))!.advice.find(({ id }) => id === 'hot')
}

test('1.0 mL of ethanol into 3.4 g of dichromate in 18 mL of 3 M acid, at once: it boils, and is told how much', () => {
  const found = hot(adding(chromic))!
  expect(found.level).toBe('danger')
  expect(found.words).toMatch(
    /^All at once it would boil, at 1\d\d °C: up to \d+ mL of water, [\d.]+ L of vapour\. Add it over at least \d+ min, in ice/,
  )
})

test('a third of it stays below the boil, and no ceiling that nobody wrote makes a danger of it', () => {
  const little = { ...chromic, alcohol: { of: 'ethanol', mL: 0.35 } }
  expect(hot(adding(little))).toBeUndefined()
  // 40 °C is what the blank proposes: written, it is a ceiling.
  expect(hot(adding(little, { ceilingC: 40 }))!.words).toMatch(/could reach \d+ °C, above the 40 °C allowed/)
})

test('the minutes of the plan are not given back: they follow from the heat', () => {
  const minutes = (typed: Record<string, number>) => /at least (\d+) min/.exec(hot(adding(chromic, typed))!.words)![1]
  expect(minutes({ minutes: 45 })).toBe(minutes({ minutes: 1 }))
})
