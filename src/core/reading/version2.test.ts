/** Plans of version 2 read as they did when that version was written: their words became fields, and the author is told which. */
import { readFileSync } from 'node:fs'
import path from 'node:path'
import { fractionation, isopentylAcetate, methylhexanol, separation } from '@/test-support/plans'
import { readPlanFile } from '../format/planFile'
import type { Plan, Step } from '../plan/plan'
import { fromVersion2 } from './version2'

const file = (name: string) => readFileSync(path.join(__dirname, 'version2', `${name}.json`), 'utf8')
const step = (plan: Plan, id: string) => plan.steps.find((each) => each.id === id)!

test.each([
  ['separation', separation],
  ['fractionation', fractionation],
  ['methylhexanol', methylhexanol],
  ['isopentylAcetate', isopentylAcetate],
])('%s comes forward to what the demo holds now, but for the waste, which its author ticked', (name, now) => {
  const plan = readPlanFile(file(name))
  const endsOtherwise = name === 'isopentylAcetate' ? [] : ['distil', 'distil-heavy']
  // What the demo holds says since whether anybody has compared it with its source.
  const plain = (of: Plan) => JSON.parse(JSON.stringify(of).replaceAll('; not yet compared with it', '')) as Plan
  const bare = (of: Plan) => ({
    ...plain(of),
    // A note on a line once settled a query by being there; it is asked, and was answered since.
    answers: [],
    // Brine gives no gas: its caution went, and the alcohol's names the graver of its hazards.
    substances: plain(of).substances.map(({ caution: _caution, ...rest }) => rest),
    steps: of.steps
      // The ester is boiled, its index read and a vial of it sent away since.
      .filter(({ id }) => !['dispose', 'boil', 'index', 'vial'].includes(id))
      // Two distillations said another end in one place than in the other: their words name the blanks now.
      .map((each) => (endsOtherwise.includes(each.id) ? { ...each, text: '', until: '' } : each))
      .map(
        ({ read: _read, caution, ...rest }) =>
          ({ ...rest, ...(String(caution).startsWith('Bicarbonate with acid gives gas') ? {} : { caution }) }) as Step,
      ),
  })
  expect(bare(plan)).toEqual(bare(now))
})

test('which fields were read from the words is said, and what was typed stays and is not among them', () => {
  const plan = readPlanFile(file('methylhexanol'))
  expect(step(plan, 'add-bromide').work).toMatchObject({ ceilingC: 36, startC: 20 })
  expect(step(plan, 'add-bromide').read).toBeUndefined()
  expect(step(plan, 'distil')).toMatchObject({ work: { lowC: 137, highC: 146, potML: 10 }, says: ['stops-before-dry'] })
  expect(step(plan, 'distil').read).toEqual(['lowC', 'highC', 'potML', 'says'])
})

const one = (part: object, steps: object[] = []) =>
  (
    fromVersion2({
      lines: [{ substance: 'ethanol', form: { kind: 'neat' } }],
      substances: [],
      steps: [...steps, { id: 's', title: 'x', text: '', kind: 'act', ...part }],
    }) as Plan
  ).steps.at(-1)!

test.each<[object, Record<string, unknown>]>([
  [
    { verb: 'Add', text: 'Drip in, in ice, never above 20 °C' },
    { ceilingC: 20, startC: 5 },
  ],
  [{ verb: 'Add', text: 'Add some, then wait until it starts' }, { initiates: 'yes' }],
  [
    { kind: 'hold', verb: 'Cool', text: 'Stand in ice and salt' },
    { bath: 'ice and salt', toC: 5 },
  ],
  [
    { kind: 'hold', verb: 'Cool', text: 'Swirl in ice until it is below 10 °C.' },
    { bath: 'ice and water', toC: 10 },
  ],
  [
    { kind: 'hold', verb: 'Cool', text: 'Leave it' },
    { bath: 'cold water', toC: 30 },
  ],
  [
    { kind: 'hold', verb: 'Warm', text: 'in a bath at 60–65 °C under a condenser' },
    { lowC: 60, highC: 65, bath: 'a warm-water bath', closed: 'under a condenser' },
  ],
  [
    { kind: 'hold', verb: 'Heat', text: 'at 120 °C' },
    { lowC: 117, highC: 123, bath: 'a mantle', closed: 'open or loosely stoppered' },
  ],
  [
    { kind: 'hold', verb: 'Heat', text: 'in the boiling-water bath' },
    { lowC: 90, highC: 100, bath: 'a boiling-water bath', closed: 'open or loosely stoppered' },
  ],
  [
    { kind: 'hold', verb: 'Hold', text: 'warm' },
    { lowC: 50, highC: 60, bath: 'a warm-water bath', closed: 'open or loosely stoppered' },
  ],
  [{ kind: 'reflux', text: 'Acid gas comes' }, { gas: 'acid' }],
  [
    { kind: 'crystallise', text: 'Filter hot. Then in ice.' },
    { coldC: 5, hotFiltration: 'yes' },
  ],
  [{ kind: 'crystallise', text: 'Leave it.' }, { coldC: 20 }],
  [
    { verb: 'Filter', text: 'Filter by suction, rinse twice with ice water' },
    { keep: 'solid', heat: 'cold', times: 2, rinseWith: 'water' },
  ],
  [
    { verb: 'Filter', text: 'Filter hot through fluted paper, a little ethanol' },
    { keep: 'solution', heat: 'hot', times: 1, rinseWith: 'ethanol' },
  ],
  [{ kind: 'dry', text: 'in the oven at 80 °C' }, { ovenC: 80 }],
  [{ kind: 'dry', text: 'Dry in air' }, { ovenC: 20 }],
  [{ kind: 'dry', text: 'Dry it' }, { ovenC: 60 }],
  [{ verb: 'Test', text: 'with litmus' }, { method: 'litmus' }],
  [{ verb: 'Send', text: 'one from each' }, { vials: 2 }],
  [
    { verb: 'Extract', text: 'in three portions into flask A' },
    { portions: 3, into: 'A' },
  ],
  [{ verb: 'Wash', text: 'half at a time, into flask A' }, { portions: 2 }],
  [
    { verb: 'Quench', text: 'into flask B until below pH 2' },
    { flask: 'B', toPH: 2 },
  ],
  [
    { verb: 'Distil', text: 'Collect 135–143 °C' },
    { lowC: 135, highC: 143 },
  ],
  [{ verb: 'Distil', text: '', until: 'when the head passes 84 °C' }, { highC: 84 }],
])('%j says %j', (part, work) => {
  const { of: _of, ...found } = one(part).work ?? { of: '' }
  expect(found).toEqual(work)
})

test.each<[object, string[] | undefined]>([
  [{ verb: 'Wash', text: 'Shake and vent' }, ['vented']],
  [{ verb: 'Wash', text: 'Shake' }, undefined],
  [{ verb: 'Extract', text: 'Discard the upper layer' }, ['layer-discarded']],
  [{ verb: 'Extract', text: 'Discard no layer' }, undefined],
  [{ kind: 'crystallise', text: 'Straight into ice' }, undefined],
  [{ kind: 'crystallise', text: 'Cool undisturbed, then ice' }, ['cooled-by-itself']],
  [{ kind: 'melt', text: '2 °C a minute' }, ['heated-slowly']],
  [{ kind: 'melt', text: 'Melt' }, undefined],
  [{ verb: 'Distil', text: '', caution: 'Never to dryness' }, ['stops-before-dry']],
  [{ verb: 'Send', text: 'Note the slot' }, ['slot-noted']],
  [{ kind: 'act', verb: 'Look', text: 'Brown fumes' }, ['gas-comes']],
  [{ kind: 'assemble', text: '', checks: ['Water running', 'Top open'] }, ['water-runs', 'open-to-air']],
])('%j makes sure of %j', (part, says) => expect(one(part).says).toEqual(says))

test('waste is taken from the words, but for what kills in the wrong bottle; a verb of one’s own is no operation', () => {
  expect(one({ verb: 'Put away', text: 'halogenated organic waste; zinc apart; cyanide in its own' }).waste).toEqual([
    'halogenated organic',
    'heavy metal',
  ])
  expect(one({ verb: 'Put away', text: 'Quenched azide, cyanide' }).waste).toEqual(['oxidiser'])
  expect(one({ verb: 'Put away', text: 'to non-halogenated organic waste' }).waste).toBeUndefined()
  expect(one({ verb: 'Add', text: 'zinc' }).waste).toBeUndefined()
  expect((one({ verb: 'Admire', text: '' }) as { operation?: string }).operation).toBeUndefined()
  expect((one({ verb: 'Pour', text: '' }) as { operation?: string }).operation).toBe('pour')
})

test('what is no step is left for the schema to refuse', () => {
  expect(fromVersion2({ steps: [null, 7, { id: 'x' }] })).toEqual({ version: 3, steps: [null, 7, { id: 'x' }] })
  expect(fromVersion2({ title: 'x' })).toEqual({ title: 'x', version: 3 })
})
