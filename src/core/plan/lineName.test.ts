import { acetanilide, separation } from '@/test-support/plans'
import { lineName, strengthText } from './lineName'
import type { Line, Plan } from './plan'

const water = (id: string, part: Partial<Line> = {}): Line => ({
  id,
  substance: 'w',
  role: 'work-up',
  coefficient: null,
  form: { kind: 'neat', purity: 1 },
  anchor: null,
  ...part,
})
const names = (...lines: Line[]) => {
  const plan: Plan = { ...acetanilide, substances: [{ id: 'w', name: 'water' }], lines }
  return lines.map((line) => lineName(plan, line))
}

test('a substance that stands once has its own name', () => expect(names(water('a'))).toEqual(['water']))
test('twice, the strength tells them apart, then the note, then the part, then the place', () => {
  expect(
    names(water('a', { form: { kind: 'solution', molPerL: 3 } }), water('b', { form: { kind: 'solution', molPerL: 6 } })),
  ).toEqual(['3 mol/L water', '6 mol/L water'])
  expect(names(water('a', { note: 'to pour into' }), water('b', { note: 'to crystallise from' }))).toEqual([
    'water, to pour into',
    'water, to crystallise from',
  ])
  expect(names(water('a', { note: 'x' }), water('b'), water('c'))).toEqual([
    'water, the first',
    'water, the second',
    'water, the third',
  ])
  expect(names(water('a', { role: 'solvent' }), water('b'))).toEqual(['water, as solvent', 'water, as work-up'])
  expect(names(water('a', { role: 'solvent' }), water('b'), water('c')).at(-1)).toBe('water, the third')
  const same = { form: { kind: 'solution', molPerL: 3 } as const }
  expect(names(water('a', same), water('b', same))).toEqual(['water, the first', 'water, the second'])
  expect(names(...Array.from({ length: 7 }, (_, index) => water(`l${index}`))).at(-1)).toBe('water, the 7th')
})
test('a strength that nobody has said is not printed', () => {
  expect(
    [{ kind: 'solution' } as const, { kind: 'mass-volume' } as const, { kind: 'neat', purity: 1 } as const].map(strengthText),
  ).toEqual(['', '', ''])
  expect(strengthText({ kind: 'mass-fraction', fraction: 0.37, source: '' })).toBe('37 %')
  expect(strengthText({ kind: 'mass-volume', gPer100ML: 10 })).toBe('10 %')
})
test('no two lines of a preparation have one name', () => {
  for (const plan of [separation, acetanilide]) {
    const all = plan.lines.map((line) => lineName(plan, line))
    expect(new Set(all).size).toBe(all.length)
  }
})
