/** Every planner drawn for every step of every demo preparation, as the server would. */
import { renderToStaticMarkup } from 'react-dom/server'
import { defaultLab } from '@/core/lab/lab'
import { blanksOf, contextOf, filledFor, plannerFor } from '@/core/operations/planners'
import type { WashBlanks } from '@/core/operations/wash/planner'
import type { ComponentType } from 'react'
import { drawing, type Drawn } from './Picture'
import type { Plan, Step, Work } from '@/core/plan/plan'
import type { Query } from '@/core/operations/query'
import { queriesOf } from '@/core/query/queries'
import { reactionTable } from '@/core/reaction/reactionTable'
import { plans } from '@/demo/plans'
import { acetanilide, fractionation, isopentylAcetate, separation } from '@/test-support/plans'
import { BandPicture } from './BandPicture'
import { common, ownBlank } from '@/core/operations/own'
import { Blank, sourceWords } from './Blank'
import { ticksFor } from './chart'
import { HeadPicture } from './HeadPicture'
import { LayersPicture } from './LayersPicture'
import { OperationPanel } from './OperationPanel'
import { Rows } from './Rows'
import { TubesPicture } from './TubesPicture'
import { WashesPicture } from './WashesPicture'

const draw = (plan: Plan, step: Step, writes = true) =>
  renderToStaticMarkup(
    <OperationPanel
      plan={plan}
      table={reactionTable(plan)}
      step={step}
      lab={defaultLab}
      onChange={writes ? () => undefined : undefined}
    />,
  )
const stepOf = (plan: Plan, id: string) => plan.steps.find((step) => step.id === id)!
const contextAt = (plan: Plan, id: string) => contextOf(plan, reactionTable(plan), stepOf(plan, id))

let named = 0
afterAll(() => expect(named).toBeGreaterThan(20))

test('what stands in the margin is not said again in the open step', () => {
  const table = reactionTable(acetanilide)
  const step = stepOf(acetanilide, 'crystallise')
  const said = (queries: Query[]) =>
    renderToStaticMarkup(<OperationPanel plan={acetanilide} table={table} step={step} lab={defaultLab} queries={queries} />)
  const queries = queriesOf(acetanilide, table)
  expect(queries.map(({ id }) => id)).toContain('oil-crystallise')
  expect(said([])).toContain('it may come as an oil')
  expect(said(queries)).not.toContain('it may come as an oil')
  // What is only said here stays.
  expect(said(queries)).toContain('The crude was weighed damp')
})

describe.each(plans.map((plan) => [plan.title, plan] as const))('%s', (_title, plan) => {
  const steps = plan.steps.filter((step) => plannerFor(step))
  test.each(steps.map((step) => [step.title, step] as const))('%s: is drawn whole', (_step, step) => {
    const html = draw(plan, step)
    expect(html).toContain(plannerFor(step)!.title)
    expect(html).not.toMatch(/NaN|undefined|Infinity|\[object/)
    const labels = [...html.matchAll(/<(?:input|select)[^>]*aria-label="([^"]+)"/g)].map(([, label]) => label)
    // A blank holds the id of a substance and shows its name.
    const shown = [...html.matchAll(/<input[^>]*aria-label="(?:substance|fraction wanted|rinsed with)[^>]* value="([^"]*)"/g)]
    for (const [, value] of shown) expect(['', 'water', ...plan.substances.map(({ name }) => name)]).toContain(value)
    named += shown.length
    // Nor is an id printed anywhere else.
    const text = html.replace(/<[^>]*>/g, ' ')
    for (const { id } of plan.substances)
      if (id.includes('-') && !plan.substances.some(({ name }) => name.includes(id))) expect(text).not.toContain(id)
    expect(labels.length).toBeGreaterThan(0)
    expect(new Set(labels).size).toBe(labels.length)
    // What the author has typed, and the fields of the step itself, stand without a source behind them.
    const typed = Object.entries(step.work ?? {}).reduce(
      (sum, [key, value]) => sum + (key === 'of' ? 0 : Array.isArray(value) ? value.length * Object.keys(value[0]!).length : 1),
      0,
    )
    const sentences = [...plannerFor(step)!.sentences(filledFor(contextAt(plan, step.id))), ...common(step)]
    const own = sentences
      .flatMap((sentence) => sentence.match(/\{@\w+\}/g) ?? [])
      .filter((key) => ownBlank(key.slice(1, -1), step, plan)?.follows !== true)
    const sourced = new RegExp(`, (${Object.values(sourceWords).join('|')})$`)
    expect(labels.filter((label) => !sourced.test(label!))).toHaveLength(typed + own.length)
  })
  test.each(steps.map((step) => [step.title, step] as const))('%s: is read without blanks', (_step, step) => {
    const html = draw(plan, step, false)
    expect(html).not.toMatch(/<input|<select|<textarea/)
    expect(html).toMatch(/class="blank (derived|typed)"/)
  })
})

test('a step without figures says its own fields', () => {
  const html = draw(acetanilide, stepOf(acetanilide, 'weigh-crude'))
  expect(html).toMatch(/aria-label="sample"[^>]* value="crude"/)
  expect(html).toContain('What the step says')
  expect(draw(acetanilide, stepOf(acetanilide, 'safety'), false)).not.toContain('<input')
})

describe('blanks', () => {
  const volume = { key: 'v', label: 'volume', kind: 'number', unit: 'mL', least: 0, most: 100 } as const
  const html = (value: number, typed: boolean, none?: string) =>
    renderToStaticMarkup(
      <Blank field={{ ...volume, ...(none ? { none } : {}) }} value={value} typed={typed} onValue={() => undefined} />,
    )
  test('what was typed is in ink, what follows in pencil and says so', () => {
    expect(html(5, true)).toContain('class="blank typed fig"')
    expect(html(5, true)).toContain('aria-label="volume, mL"')
    expect(html(5, false)).toContain('class="blank derived fig"')
    expect(html(5, false)).toContain('aria-label="volume, mL, from the plan"')
  })
  test('a nought that nobody typed says what it means; one that was typed is a nought', () => {
    expect(html(0, false, 'not known')).toContain('placeholder="not known"')
    expect(html(0, true, 'not known')).toContain('value="0"')
    expect(html(0, false)).toContain('value="0"')
  })
  test('figures are shown to six digits, a choice by its words', () => {
    expect(html(1 / 3, false)).toContain('value="0.333333"')
    const choice = { key: 'c', label: 'bath', kind: 'choice', ways: [{ value: 'a', words: 'ice' }] } as const
    expect(renderToStaticMarkup(<Blank field={choice} value="a" typed={false} />)).toContain('>ice<')
  })
})

describe('lists', () => {
  const field = {
    key: 'rows',
    label: 'tubes',
    kind: 'rows',
    columns: [{ key: 'what', label: 'holds', kind: 'text' }],
    add: 'Add a tube',
    fresh: { what: '' },
  } as const
  const html = (rows: { what: string }[], typed: boolean, writes = true) =>
    renderToStaticMarkup(<Rows field={field} rows={rows} typed={typed} onRows={writes ? () => undefined : undefined} />)
  test('each row is named by its number; the author’s own can be given back', () => {
    expect(html([{ what: 'a' }, { what: 'b' }], false)).toContain('aria-label="holds, row 2 of tubes, from the plan"')
    expect(html([{ what: 'a' }], false)).not.toContain('Back to what the plan says')
    expect(html([{ what: 'a' }], true)).toContain('Back to what the plan says')
  })
  test('an empty one says how to begin, and one that is read has no buttons', () => {
    expect(html([], false)).toContain('Add a tube')
    expect(html([], false)).not.toContain('<table')
    expect(html([{ what: 'a' }], true, false)).not.toContain('<button')
  })
})

describe('pictures', () => {
  test('layers: a row for each, a share for each substance, with its number beside the bar', () => {
    const html = renderToStaticMarkup(<LayersPicture context={contextAt(separation, 'extract-base')} />)
    expect(html.match(/<th scope="row">/g)).toHaveLength(3)
    expect(html).toContain('99.6 %')
    expect(html).toContain('ethyl 4-aminobenzoate')
    expect(renderToStaticMarkup(<LayersPicture context={contextAt(acetanilide, 'reflux')} />)).toBe('')
  })
  test('washes: in their order, with the share of their strength', () => {
    const context = contextAt(isopentylAcetate, 'wash-water')
    const html = renderToStaticMarkup(<WashesPicture context={context} filled={blanksOf<WashBlanks>(context)} />)
    expect([...html.matchAll(/<th scope="row">([^<]+)</g)].map(([, name]) => name)).toEqual([
      'water',
      'saturated sodium bicarbonate',
      'brine',
    ])
  })
  test('tubes: control and blank beside the sample', () => {
    const html = renderToStaticMarkup(
      <TubesPicture
        filled={{
          tubes: [
            { holds: 'sample', what: 'benzil', expect: 'positive' },
            { holds: 'control', what: 'benzaldehyde', expect: 'positive' },
          ],
        }}
      />,
    )
    expect(html).toContain('positive control')
    expect(html).toContain('expected positive')
  })
  test('a panel draws what was typed', () => {
    const step = { ...stepOf(fractionation, 'distil-light'), work: { of: 'distil', stages: 7, model: 'NRTL' } as Work }
    const plan = { ...fractionation, steps: fractionation.steps.map((each) => (each.id === step.id ? step : each)) }
    const html = draw(plan, step)
    expect(html).toContain('aria-label="stages above the pot"')
    expect(html).toContain('α of NRTL')
  })
})

describe('round numbers along an axis', () => {
  test.each([
    [0, 47, [0, 10, 20, 30, 40]],
    [76, 111, [80, 90, 100, 110]],
    [0, 1, [0, 0.2, 0.4, 0.6, 0.8, 1]],
    [82.2, 159.2, [100, 120, 140]],
  ])('from %d to %d', (low, high, ticks) => expect(ticksFor(low, high)).toEqual(ticks))
})

describe('what a run has read', () => {
  const measured = (more: object) => ({
    samples: {},
    usedML: {},
    temperatures: {},
    weighings: {},
    heads: {},
    windows: {},
    ...more,
  })
  const drawn = (plan: Plan, id: string, more: object, Picture: ComponentType<Drawn>) => {
    const context = contextOf(plan, reactionTable(plan), stepOf(plan, id), defaultLab, measured(more))
    return renderToStaticMarkup(<Picture context={context} filled={filledFor(context)} />)
  }
  const cells = (html: string) => [...html.matchAll(/<td class="fig">([^<]*)/g)].map(([, text]) => text)
  test('temperatures stand in the table behind their picture; one alone draws nothing', () => {
    const readings = (count: number) => [117, 119].slice(0, count).map((celsius, at) => ({ atMin: 10 * at, celsius }))
    const html = drawn(acetanilide, 'reflux', { temperatures: { reflux: readings(2) } }, drawing(BandPicture))
    expect(cells(html)).toEqual(['0.0', '117.0', '10.0', '119.0'])
    expect(drawn(acetanilide, 'reflux', { temperatures: { reflux: readings(1) } }, drawing(BandPicture))).toBe('')
    expect(cells(drawn(acetanilide, 'cool', { temperatures: { cool: readings(2) } }, drawing(BandPicture)))).toHaveLength(4)
  })
  test('heads are counted on from receiver to receiver', () => {
    const heads = { 'distil-light': [{ volumeML: 20, headC: 84 }], 'distil-middle': [{ volumeML: 5, headC: 105 }] }
    expect(cells(drawn(fractionation, 'distil-middle', { heads }, drawing(HeadPicture)))).toEqual([
      '20.0',
      '84.0',
      '25.0',
      '105.0',
    ])
  })
})

describe('a choice', () => {
  const field = {
    key: 'salt',
    label: 'salt',
    kind: 'choice',
    ways: [
      { value: 'none', words: 'none is added' },
      { value: 'saturated', words: 'till no more dissolves' },
    ],
  } as const
  const html = (typed: boolean) =>
    renderToStaticMarkup(<Blank field={field} value="saturated" suggested="none" typed={typed} onValue={() => undefined} />)
  test('that was typed can be given back to the plan; one that was not has nothing to give back', () => {
    expect(html(true)).toContain('as the plan has it: none is added')
    expect(html(false)).not.toContain('as the plan has it')
  })
})

test('the pairs of three components are named where their constants stand', () => {
  const step: Step = {
    ...stepOf(fractionation, 'distil-light'),
    work: {
      of: 'distil',
      model: 'NRTL',
      components: ['cyclohexane', 'toluene', 'cyclohexane'].map((name) => ({ name, mmol: 10 })),
    } as Work,
  }
  const html = draw({ ...fractionation, steps: fractionation.steps.map((each) => (each.id === step.id ? step : each)) }, step)
  expect(html).toContain('toluene with cyclohexane')
  expect(html.match(/aria-label="constant \d–\d, not known"/g)).toHaveLength(6)
})
