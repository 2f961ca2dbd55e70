/** The tubes of a test and the two faces of a reading, drawn as the server would. */
import { renderToStaticMarkup } from 'react-dom/server'
import { addStep } from '@/core/edit/addStep'
import { defaultLab } from '@/core/lab/lab'
import { foldRun } from '@/core/run/foldRun'
import type { Work } from '@/core/plan/plan'
import { TestLog } from '@/test-support/entries'
import { acetanilide } from '@/test-support/plans'
import { SideBySide } from './SideBySide'
import { Tubes } from './Tubes'

const { plan: added, id } = addStep(acetanilide, 'test', 'safety')
const tubes = ['1 sample, acetanilide', '2 positive control, something known to answer', '3 blank, reagent alone']

const drawn = (log: TestLog, method: string) => {
  const plan = {
    ...added,
    steps: added.steps.map((step) => (step.id === id ? { ...step, work: { of: 'test', method } as Work } : step)),
  }
  const run = foldRun(plan, 1, log.entries)
  return renderToStaticMarkup(
    <Tubes run={run} state={run.steps.find(({ step }) => step.id === id)!} lab={defaultLab} write={() => undefined} />,
  )
}
const started = () => {
  const log = new TestLog()
  for (const tube of tubes) log.add(id, 'tube', { tube, event: 'start' })
  return log
}

describe('tubes', () => {
  test('before the start there is one button and no clock', () => {
    const html = drawn(new TestLog(), 'silver nitrate in ethanol')
    expect(html).toContain('Start all 3 stopwatches')
    expect(html).not.toContain('The panel is read')
  })
  test('each runs until its sign is written, and the panel is read when all are', () => {
    const log = started()
    expect(drawn(log, 'silver nitrate in ethanol').match(/It is there/g)).toHaveLength(3)
    for (const tube of tubes) log.add(id, 'tube', { tube, event: tube === tubes[1] ? 'sign' : 'none' })
    const html = drawn(log, 'silver nitrate in ethanol')
    expect(html).not.toContain('It is there')
    expect(html).toContain('positive: precipitate')
    // Written a minute apart: the sample started at 13:01 and was read at 13:04.
    expect(html).toContain('3:00')
    expect(html).toMatch(/<button type="button" class="go">The panel is read/)
  })
  test('what did nothing is warmed once, where the test is warmed at all', () => {
    const log = started()
    log.add(id, 'tube', { tube: tubes[0]!, event: 'none' })
    expect(drawn(log, 'silver nitrate in ethanol').match(/Warm it/g)).toHaveLength(1)
    expect(drawn(log, 'litmus')).not.toContain('Warm it')
    log.add(id, 'tube', { tube: tubes[0]!, event: 'warm' })
    expect(drawn(log, 'silver nitrate in ethanol').match(/It is there/g)).toHaveLength(3)
    log.add(id, 'tube', { tube: tubes[0]!, event: 'none' })
    const html = drawn(log, 'silver nitrate in ethanol')
    expect(html).toContain('no sign, warm')
    expect(html).not.toContain('Warm it')
  })
})

describe('faces side by side', () => {
  const faces = [
    { key: 'volume', label: 'Volume', hint: 'In this receiver', unit: 'mL' },
    { key: 'head', label: 'Head', hint: 'At the head', unit: '°C' },
  ] as const
  const html = (count: number, problem?: string) =>
    renderToStaticMarkup(
      <SideBySide
        faces={faces.slice(0, count)}
        texts={{ volume: '12.4', head: '' }}
        at="head"
        onAt={() => undefined}
        onText={() => undefined}
        onEnter={() => undefined}
        problem={problem}
      />,
    )
  test('each has its name with its unit, one is active, and one alone takes the width', () => {
    expect(html(2)).toContain('Volume in mL')
    expect(html(2)).toContain('value="12.4"')
    expect(html(2).match(/class="read active"/g)).toHaveLength(1)
    expect(html(2)).not.toContain('head-fields one')
    expect(html(1)).toContain('head-fields one')
  })
  test('what is wrong is said over the keys', () =>
    expect(html(2, 'Head: nothing is entered.')).toMatch(/role="alert">Head: nothing is entered\..*Number keys/))
})
