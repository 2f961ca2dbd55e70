import { renderToStaticMarkup } from 'react-dom/server'
import type { Standing, StandingPhase, StandingVessel } from '@/core/operations/vessel/standsIn'
import { levelsOf, shapeOf } from './shapes'
import { VesselPicture } from './VesselPicture'
import { amountText, fromText, phaseName, phaseText, vesselText } from './words'

const exact = (value: number) => ({ low: value, likely: value, high: value })
const thing = (more: Partial<Standing> = {}): Standing => ({
  ...{ name: 'toluene', amount: exact(10), unit: 'mmol', gPer: 0.09214, from: [], certain: true },
  ...more,
})
const phase = (more: Partial<StandingPhase> = {}): StandingPhase => ({
  ...{ kind: 'organic', main: 'toluene', mL: 25, atLeast: false, grams: 21.7, gPerML: 0.867, pH: null, holds: [thing()] },
  ...more,
})
const vessel = (more: Partial<StandingVessel> = {}): StandingVessel => ({
  ...{ name: 'round-bottom 100 mL', kind: 'round-bottom', sizeML: 100, kept: null, atC: 20, here: true, phases: [phase()] },
  ...more,
})

test('a level stands where so much of the glass is below it', () => {
  // Half of a ball is below its middle; half of a straight vial below half its height.
  expect(levelsOf(shapeOf('round-bottom'), [0.5])[0]).toBeCloseTo(46, -0.5)
  expect(levelsOf(shapeOf('vial'), [0.5])[0]).toBeCloseTo(41, 1)
  // A cone is widest at its foot: half of it stands below half its height; a funnel the other way round.
  expect(levelsOf(shapeOf('conical'), [0.5])[0]).toBeLessThan(0.4 * shapeOf('conical').height)
  expect(levelsOf(shapeOf('separating funnel'), [0.5])[0]).toBeGreaterThan(0.6 * shapeOf('separating funnel').height)
})

test.each(['round-bottom', 'conical', 'separating funnel', 'vial', undefined] as const)(
  'levels of %s rise with what is there, and end at the rim',
  (kind) => {
    const shape = shapeOf(kind)
    const levels = levelsOf(shape, [0.1, 0.2, 0.3, 0.4, 5])
    expect([...levels].sort((a, b) => a - b)).toEqual(levels)
    expect(levels.at(-1)).toBe(shape.height)
    expect(levelsOf(shape, [0])[0]).toBe(0)
  },
)

test('every phase is drawn, however little of it there is; an empty vessel is glass alone', () => {
  const drawn = (each: StandingVessel) => renderToStaticMarkup(<VesselPicture vessel={each} />)
  const two = vessel({ phases: [phase({ kind: 'solid', mL: 0.001 }), phase()] })
  expect(drawn(two).match(/class="phase /g)).toHaveLength(2)
  expect(drawn(vessel({ phases: [] }))).not.toContain('class="phase')
  expect(drawn(vessel({ sizeML: null, kind: undefined }))).toContain('unsized')
  expect(drawn(vessel({ phases: [phase({ mL: 0, atLeast: true })] }))).not.toContain('NaN')
})

test('a phase is called by what is beside it', () => {
  const water = phase({ kind: 'watery', main: 'water', pH: 3.04, mL: 48.2 })
  expect(phaseName(water, [water])).toBe('Solution in water')
  expect(phaseName(water, [water, phase()])).toBe('Water layer')
  expect(phaseName(phase(), [water, phase()])).toBe('Toluene layer')
  expect(phaseName(phase({ main: null }), [phase()])).toBe('Liquid')
  expect(phaseText(water)).toBe('48 mL, pH 3.0')
  expect(phaseText(phase({ kind: 'solid', grams: null }))).toBe('amount not known')
  expect(phaseText(phase({ atLeast: true }))).toBe('at least 25 mL')
})

test('an amount is one figure, a span, a trace or not known', () => {
  expect(amountText(thing())).toBe('0.92 g')
  expect(amountText(thing({ amount: { low: 5, likely: 10, high: 20 } }))).toBe('0.92 g (0.46 to 1.84)')
  expect(amountText(thing({ amount: exact(0.001) }))).toBe('a trace')
  expect(amountText(thing({ gPer: -0.018 }))).toBe('−0.18 g')
  expect(amountText(thing({ amount: { low: 0, likely: 0.001, high: 1 } }))).toBe('at most 0.092 g')
  expect(amountText(thing({ amount: 'unknown' }))).toBe('amount not known')
})

test('where it comes from, each once; and how full the glass is', () => {
  const line = { of: 'line', name: 'toluene' } as const
  expect(fromText([line, line, { of: 'reaction', step: 'Reflux' }, { of: 'reading', step: 'Weigh' }])).toBe(
    'from toluene, formed in “Reflux”, weighed in “Weigh”',
  )
  expect(vesselText(vessel())).toBe('About 25 mL in a 100 mL round-bottom, 25 % full, at 20 °C')
  expect(vesselText(vessel({ phases: [] }))).toBe('Nothing in a 100 mL round-bottom')
  expect(vesselText(vessel({ sizeML: null, phases: [phase({ atLeast: true })] }))).toBe('At least 25 mL, at 20 °C')
})
