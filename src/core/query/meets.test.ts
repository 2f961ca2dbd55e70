/** What gives gas, what a wash takes away, what meets in a waste container, and what nobody has said of a substance. */
import { asWords } from '../words/words'
import { acetanilide, isopentylAcetate } from '@/test-support/plans'
import type { Line, Plan, Step } from '../plan/plan'
import type { Substance } from '../substance/substance'
import { gasesIn } from '../operations/vessel/gasesIn'
import { vesselIn } from '@/test-support/inVessel'
import { holdingsIn, type Vessel } from '../matter/state'
import { reactionTable } from '../reaction/reactionTable'
import { defaultLab } from '../lab/lab'
import { queriesOf } from './queries'

const substances: Record<string, Substance> = Object.fromEntries(
  (
    [
      ['bleach', { formula: 'NaOCl', waste: 'oxidiser' }],
      ['acid', { formula: 'HCl', waste: 'aqueous acid or base' }],
      ['soda', { formula: 'NaHCO3', waste: 'aqueous acid or base' }],
      [
        'ether',
        {
          ...{ formula: 'C4H10O', smiles: 'CCOCC', groups: ['ether'], waste: 'other organic' },
          ...{ density: { gPerML: 0.713, source: 'x' }, logP: { value: 0.89, source: 'x' } },
        },
      ],
      [
        'acetic',
        {
          ...{ formula: 'C2H4O2', smiles: 'CC(=O)O', groups: ['carboxylic acid'], waste: 'aqueous acid or base' },
          ...{ logP: { value: -0.17, source: 'x' }, pKa: { values: [4.76], source: 'x' } },
        },
      ],
      ['thiosulfate', { formula: 'Na2S2O3', waste: 'aqueous, harmless' }],
      ['bromine', { formula: 'Br2', waste: 'oxidiser' }],
      ['hydride', { formula: 'LiAlH4', waste: 'quenched first, by itself' }],
      ['water', { formula: 'H2O', waste: 'aqueous, harmless' }],
      ['rinse', { formula: 'H2O', waste: 'aqueous, harmless' }],
      ['wonder', { formula: 'C9H10O3', waste: 'solid' }],
      ['nitric', { formula: 'HNO3', waste: 'oxidiser' }],
    ] as const
  ).map(([id, rest]) => [id, { id, name: id, ...rest } as unknown as Substance]),
)

const line = (id: string, form: Line['form'], value: number, unit: 'g' | 'mL' | 'mmol'): Line => ({
  id,
  substance: id,
  role: 'reagent',
  coefficient: null,
  form,
  anchor: {
    of: unit === 'g' ? 'mass' : unit === 'mL' ? 'volume' : 'amount',
    quantity: { value, unit, decimals: 1 },
  } as Line['anchor'],
})
const inWater = (molPerL: number): Line['form'] => ({ kind: 'solution', molPerL, gPerML: 1 })
const neat: Line['form'] = { kind: 'neat', purity: 1 }
const solid: Line['form'] = { kind: 'solid', purity: 1 }

type Doing = [operation: string, line: string | null, waste?: NonNullable<Step['waste']>]

function planOf(lines: Line[], doings: Doing[]): Plan {
  const { mainProduct: _made, expectedYield: _yield, ...rest } = acetanilide
  return {
    ...rest,
    substances: lines.map(({ id }) => substances[id]!),
    lines,
    reference: lines[0]!.id,
    recoveries: [{ sample: 'x', product: lines[0]!.id, of: lines[0]!.id }],
    steps: doings.map(([operation, goes, waste], index) => ({
      id: `s${index}`,
      title: asWords(`Step ${index}`),
      kind: 'act',
      verb: 'Go on',
      operation,
      text: asWords(goes ? `Put in {${goes}}.` : 'Go on.'),
      handsOnMin: 1,
      waitMin: 0,
      ...(waste ? { waste } : {}),
    })) as Step[],
    answers: [],
  }
}
const titles = (plan: Plan, start: string) =>
  queriesOf(plan)
    .filter(({ id }) => id.startsWith(start))
    .map(({ title }) => title)

describe('gases', () => {
  const litres = (lines: Line[]) => {
    const plan = planOf(
      lines,
      lines.map(({ id }) => ['add', id]),
    )
    return gasesIn(plan, reactionTable(plan)).map(({ gas, litres: volume, step }) => [gas, step, Number(volume!.toFixed(3))])
  }
  // By hand, 24.055 L/mol at 20 °C and 760 mmHg.
  test.each<[string, Line[], [string, string, number][]]>([
    // The 20 mL of water keep 0.036 mol/L of it at 20 °C: (10 − 0.72) mmol × 24.06 L/mol.
    [
      '10 mmol of bicarbonate and 30 of acid',
      [line('soda', inWater(1), 10, 'mL'), line('acid', inWater(3), 10, 'mL')],
      [['carbon dioxide', 's1', 0.223]],
    ],
    [
      'as far as the acid goes',
      [line('soda', inWater(1), 10, 'mL'), line('acid', inWater(0.5), 10, 'mL')],
      [['carbon dioxide', 's1', 0.103]],
    ],
    [
      '10 mmol of hypochlorite and much acid: as much chlorine',
      [line('bleach', inWater(1), 10, 'mL'), line('acid', inWater(6), 10, 'mL')],
      [['chlorine', 's1', 0.241]],
    ],
    [
      '5 mmol of the hydride, four hydrogens each, and water',
      [line('hydride', solid, 5, 'mmol'), line('water', neat, 10, 'mL')],
      [['hydrogen', 's1', 0.481]],
    ],
    ['nothing where nothing meets', [line('soda', inWater(1), 10, 'mL'), line('water', neat, 10, 'mL')], []],
  ])('%s', (_what, lines, expected) => expect(litres(lines)).toEqual(expected))

  test('what is added in a second portion gives its own part, and less pressure more of it', () => {
    const plan = planOf(
      [line('soda', inWater(1), 10, 'mL'), line('acid', inWater(1), 10, 'mL')],
      [
        ['add', 'soda'],
        ['add', null],
        ['add', null],
      ],
    )
    const steps = plan.steps.map((step, index) =>
      index === 0 ? step : { ...step, text: asWords('Put in {acid 40 %}.') },
    ) as Step[]
    const divided = { ...plan, steps }
    const found = gasesIn(divided, reactionTable(divided))
    expect(found.map(({ step }) => step)).toEqual(['s1', 's2'])
    // The first 14 mL keep 0.5 of its 4 mmol; the second 4 mL only what the solution can hold more, 0.14 mmol. At half the pressure half is kept, and the rest takes twice the room: (4 − 0.24) mmol × 48.1 L/mol.
    expect(found.map(({ litres: each }) => Number(each!.toFixed(3)))).toEqual([0.084, 0.093])
    expect(
      gasesIn(divided, reactionTable(divided), { ...defaultLab, pressure: { by: 'mmHg', value: 380 } })[0]!.litres,
    ).toBeCloseTo(0.181, 3)
  })
})

describe('what a wash takes, counts no more; what it does not, does', () => {
  const washed = (mL: number, then: string) =>
    planOf(
      [
        line('acetic', neat, 1, 'mL'),
        line('ether', neat, 20, 'mL'),
        line('soda', inWater(1), mL, 'mL'),
        line(then, inWater(1), 5, 'mL'),
      ].map((each) =>
        each.id === 'acetic' ? { ...each, anchor: { of: 'amount', quantity: { value: 10, unit: 'mmol', decimals: 0 } } } : each,
      ) as Line[],
      [
        ['add', 'acetic'],
        ['add', 'ether'],
        ['wash', 'soda'],
        ['wash', then],
      ],
    )
  const amountIn = (vessel: Vessel, id: string) =>
    holdingsIn(vessel).reduce((sum, { thing, amount }) => sum + (thing.id === id ? amount! : 0), 0)

  test('10 mmol of acid: 40 of bicarbonate take it; 9 do not, nor do 11, whose carbon dioxide keeps the water acid enough', () => {
    for (const mmol of [9, 11]) expect(titles(washed(mmol, 'bleach'), 'incompatible-')).toEqual(['bleach meets acetic'])
    expect(titles(washed(40, 'bleach'), 'incompatible-')).toEqual([])
  })

  test('bromine stays until thiosulfate has met it', () => {
    const plan = planOf(
      [
        line('bromine', neat, 5, 'mmol'),
        line('ether', neat, 20, 'mL'),
        line('water', neat, 5, 'mL'),
        line('thiosulfate', inWater(1), 12, 'mL'),
      ],
      [
        ['add', 'bromine'],
        ['add', 'ether'],
        ['wash', 'water'],
        ['wash', 'thiosulfate'],
        ['add', null],
      ],
    )
    expect(amountIn(vesselIn(plan, 's2'), 'bromine')).toBeCloseTo(5, 1)
    expect(amountIn(vesselIn(plan, 's4'), 'bromine')).toBe(0)
  })
})

describe('in a waste container', () => {
  const lines = [
    line('bleach', inWater(1), 10, 'mL'),
    line('ether', neat, 20, 'mL'),
    line('acid', inWater(3), 10, 'mL'),
    line('water', neat, 20, 'mL'),
    line('rinse', neat, 20, 'mL'),
  ]
  const doings = (first: NonNullable<Step['waste']>, last: NonNullable<Step['waste']>): Doing[] => [
    ['add', 'ether'],
    ['wash', 'bleach', first],
    ['wash', 'water', first],
    ['wash', 'rinse'],
    ['wash', 'acid'],
    ['dispose', null, last],
  ]
  test('what clings in the funnel of the bleach of one wash meets the acid of the next', () => {
    const plan = planOf(lines, [
      ['add', 'ether'],
      ['wash', 'bleach'],
      ['wash', 'acid'],
    ])
    expect(titles(plan, 'incompatible-')).toEqual(['bleach meets acid'])
  })
  test('the bleach of one wash and the acid of a later one meet there, though rinsed twice they never did in the funnel', () => {
    const plan = planOf(
      lines,
      doings(
        [{ into: 'aqueous acid or base', what: 'aqueous layer' }],
        [{ into: 'aqueous acid or base', what: 'aqueous layer' }],
      ),
    )
    expect(titles(plan, 'incompatible-')).toEqual([])
    expect(titles(plan, 'waste-meets-')).toEqual(['bleach meets acid in the container aqueous acid or base'])
  })
  test('each into its own: nothing', () => {
    const plan = planOf(lines, doings([{ into: 'oxidiser', what: 'aqueous layer' }], [{ into: 'aqueous acid or base' }]))
    expect(titles(plan, 'waste-meets-')).toEqual([])
  })
  test('nitric acid and a solvent in one bottle', () => {
    const plan = planOf(
      [
        line('nitric', { kind: 'mass-fraction', fraction: 0.68, gPerML: 1.4, source: 'x' }, 5, 'mL'),
        line('ether', neat, 20, 'mL'),
      ],
      [
        ['pour', 'nitric', [{ into: 'oxidiser', what: 'all that is left' }]],
        ['evaporate', null],
        ['add', 'ether', [{ into: 'oxidiser', what: 'all that is left' }]],
      ],
    )
    expect(queriesOf(plan).some(({ title }) => title.startsWith('nitric meets ether'))).toBe(true)
  })
})

test('a substance of which nobody knows what it does is asked about, until its author has said it', () => {
  const plan = planOf([line('wonder', solid, 1, 'g')], [['add', 'wonder']])
  expect(titles(plan, 'classes-')).toEqual(['What does wonder do to others?'])
  const said = { ...plan, substances: plan.substances.map((each) => ({ ...each, classes: [] })) }
  expect(titles(said, 'classes-')).toEqual([])
  const drawn = { ...plan, substances: plan.substances.map((each) => ({ ...each, smiles: 'COc1ccc(cc1)C(O)=O' })) }
  expect(titles(drawn, 'classes-')).toEqual([])
  expect(titles(isopentylAcetate, 'classes-')).toEqual([])
})
