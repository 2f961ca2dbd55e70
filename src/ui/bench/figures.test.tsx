/** What a bench is shown of an operation, from its own figures. */
import { renderToStaticMarkup } from 'react-dom/server'
import { defaultLab, type Lab } from '@/core/lab/lab'
import { foldRun } from '@/core/run/foldRun'
import { acetanilide, fractionation, separation } from '@/test-support/plans'
import { TestLog } from '@/test-support/entries'
import { entryLabel, entryValue } from '../run/labels'
import { BenchFigures } from './BenchFigures'
import { readingOf } from './readingOf'

const shown = (log: TestLog, step: string, scale = 1, lab: Lab = defaultLab, plan = acetanilide) => {
  const run = foldRun(plan, scale, log.entries)
  return renderToStaticMarkup(<BenchFigures run={run} step={run.steps.find((each) => each.step.id === step)!.step} lab={lab} />)
}

describe('figures at the bench', () => {
  test('at scale 0.8 the loss is that of 78 mL: 0.36 g', () => {
    expect(shown(new TestLog(), 'crystallise')).toContain('0.45 g')
    expect(shown(new TestLog(), 'crystallise', 0.8)).toContain('0.36 g')
  })
  test('what was charged counts: half the aniline leaves half the crude to expect', () => {
    const log = new TestLog()
    log.difference('charge-aniline', 25, 25 - 2.044)
    // 4.64 g of crude become 2.21 g, for the liquor keeps 0.22 g of either, so the 98 mL of the sentence become 47 mL: one figure, and no other by the curve beside it.
    expect(shown(new TestLog(), 'crystallise')).toContain('98 mL')
    expect(shown(log, 'crystallise')).toContain('47 mL')
    expect(shown(log, 'crystallise')).toContain('hot solvent for our 2.21 g')
    expect(shown(log, 'crystallise')).not.toContain('by the curve')
  })
  test('the boil is that of the laboratory’s pressure: 391.15/(1 + 0.1055/5.716) K at 2000 m', () => {
    expect(shown(new TestLog(), 'reflux')).toContain('118 °C')
    expect(shown(new TestLog(), 'reflux', 1, { ...defaultLab, pressure: { by: 'altitude', value: 2000 } })).toContain('111 °C')
  })
  test('three figures and three doubts at the most, dangers first', () => {
    const html = shown(new TestLog(), 'extract-base', 6, defaultLab, separation)
    expect(html.match(/<dt>/g)!.length).toBeLessThanOrEqual(3)
    expect(html.match(/class="state/g)!.length).toBeLessThanOrEqual(3)
  })
  test('a step without figures shows none', () => {
    expect(shown(new TestLog(), 'safety')).toBe('')
    expect(shown(new TestLog(), 'weigh-crude')).toBe('')
  })
  test('drying: where three weighings tend to, and for how long', () => {
    const log = new TestLog()
    log.reading('dry', 'empty', 30)
    for (const full of [35.2, 34.8, 34.6]) log.reading('dry', 'full', full)
    expect(shown(log, 'dry')).toMatch(/tending to<\/dt><dd class="fig">4\.40 g/)
  })
  test('distilling: how much is in the pot, and what the thermometer shows', () =>
    expect(shown(new TestLog(), 'distil-light', 1, defaultLab, fractionation)).toContain('80.7 °C'))
  test('distilling: what the head was read at says what is left, and to change the receiver', () => {
    const log = new TestLog()
    for (const [volumeML, headC] of [
      [0, 80.5],
      [20, 86],
    ] as const)
      log.add('distil-light', 'head', { volumeML, volumeDecimals: 1, headC, decimals: 1 })
    // 50 mL are planned for the flask.
    const html = shown(log, 'distil-light', 1, defaultLab, fractionation)
    expect(html).toMatch(/left in flask and column<\/dt><dd class="fig">30\.0 mL/)
    expect(html).toContain('80.5–86.0 °C')
    expect(html).toContain('change the receiver')
  })
})

describe('what an entry is called', () => {
  const log = new TestLog()
  const state = { step: acetanilide.steps.find(({ id }) => id === 'crystallise')! }
  test.each([
    [log.reading('crystallise', 'portion', 60, 0, {}, 'mL'), 'Hot solvent, a portion', '60 mL'],
    [log.reading('crystallise', 'temperature', -3, 0, {}, '°C'), 'Temperature', '−3 °C'],
    [log.reading('crystallise', 'heater', 4, 0, {}, ''), 'Setting of the heater', '4'],
    [log.add('crystallise', 'head', { volumeML: 0, volumeDecimals: 1, headC: 80.5, decimals: 1 }), 'First drop, head', '80.5 °C'],
    [log.add('crystallise', 'head', { volumeML: 12.4, volumeDecimals: 1, headC: 81, decimals: 1 }), 'Head at 12.4 mL', '81.0 °C'],
    [
      log.add('crystallise', 'window', { lowC: 78, highC: 86 }, { reason: 'it stands still' }),
      'Window widened',
      '78–86 °C: it stands still',
    ],
    [log.press('crystallise', 'dissolved'), 'All of it dissolved', ''],
    [log.add('crystallise', 'tube', { tube: '1 sample', event: 'start' }), '1 sample: stopwatch started', ''],
    [log.add('crystallise', 'tube', { tube: '1 sample', event: 'sign' }), '1 sample: the sign is seen', ''],
    [log.add('crystallise', 'tube', { tube: '3 blank', event: 'warm' }), '3 blank: warmed, stopwatch started again', ''],
    [log.add('crystallise', 'tube', { tube: '3 blank', event: 'none' }), '3 blank: no sign', ''],
    [log.add('crystallise', 'note', { slot: 'sample slot', text: 'A3' }), 'Sample slot', 'A3'],
    [
      log.add('crystallise', 'melting', {
        onsetC: 121,
        clearC: 123,
        decimals: 0,
        instrument: { name: 'Two', offsetC: -8, slope: 1 },
      }),
      'Melting range',
      '121–123 °C, corrected 113.0–115.0 °C',
    ],
    [log.add('crystallise', 'melting', { onsetC: 113, clearC: 115, decimals: 0 }), 'Melting range', '113–115 °C'],
  ])('%#', (entry, label, value) => {
    expect(entryLabel(state, entry)).toBe(label)
    expect(entryValue(entry)).toBe(value)
  })
})

test('a temperature may lie below zero, a mass may not', () => {
  expect(readingOf('-12', '°C', 0)).toMatchObject({ ok: true, value: { value: -12 } })
  expect(readingOf('-12', 'g', 2)).toMatchObject({ ok: false })
  expect(readingOf('4', '', 0)).toMatchObject({ ok: true, value: { value: 4 } })
})
