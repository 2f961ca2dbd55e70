import { adiabaticRise } from '@/core/operations/add/adiabaticRise'
import { heatCapacityIn } from '@/core/matter/heatCapacity'
import { boilDownTo, cropFrom, hotVolume, secondCrop, solubilityInMixture } from '@/core/operations/crystallise/crop'
import { saturatedAtC, solubilityAt } from '@/core/matter/solubility'
import { expectedReading } from '@/core/operations/distil/thermometer'
import { distributionAt } from '@/core/matter/pH'
import { madeThing } from '@/core/matter/thing'
import { fractionLeft, fractionLimit, portionsFor } from '@/core/matter/partition'
import { impurityFromDepression } from '@/core/operations/melt/impurity'
import { boilsAtIn } from '@/core/matter/boilsAt'
import { limitOfTwo } from '@/core/reaction/limitOfTwo'
import { makeUp, molarityOf } from '@/core/reaction/makeUp'
import { gasesOf, gasLitres, gasOf, meetings } from '@/core/reaction/meetings'
import { judge, type Judged } from '@/core/result/judge'
import { boilsAt } from '@/core/substance/boilsAt'
import { capacities, mixtures, recipes, rises, strengths, underPressure } from './givens'
import { forPlan, substanceRecords } from './records'
import { vesselOf, type Poured } from './poured'
import { stockCard, stockSolutions } from './solutions'

/** A value that was worked by hand or published, and what the program finds. */
export interface Case {
  area: string
  what: string
  unit: string
  expected: number | string
  /** How far it may be off, in its unit; where words are expected they are the beginning of what is said. */
  within: number
  found: () => number | string
}

const benzoic = madeThing('benzoic', 'benzoic acid', 'C7H6O2', { acid: [4.2] })

const record = (id: string) => forPlan(substanceRecords.find((each) => each.id === id)!)
const stock = (id: string) => stockSolutions.find((each) => each.id === id)!

function boils(contents: readonly Poured[]): number {
  const found = boilsAtIn(vesselOf(...contents).phases, 760)
  return 'atC' in found ? found.atC : NaN
}

/** mL of gas when so many mmol of each meet. */
function gasML(
  one: string,
  other: string,
  [formula, mmol]: [string, number],
  [otherFormula, otherMmol]: [string, number],
): number {
  const meeting = meetings.find((each) => each.one === one && each.other === other)
  if (!meeting) return NaN
  return gasesOf(meeting, { formula }).reduce(
    (sum, gas) =>
      sum +
      1000 *
        gasLitres(
          gasOf(gas, meeting, { substance: { formula }, mmol }, { substance: { formula: otherFormula }, mmol: otherMmol }),
        ),
    0,
  )
}

const pure: Judged['melting'] = {
  onsetC: 113.6,
  clearC: 114.8,
  literature: { lowC: 113, highC: 115 },
  verdict: 'consistent with pure',
  offC: 0,
} as never
const judged = (part: Partial<Judged>) =>
  judge({
    ...{ fraction: 0.75, kind: 'yield', dry: true, melts: true, melting: pure, expected: { low: 0.7, high: 0.83 } },
    ...{ inLiquorG: null, wholeG: 5.87, ...part },
  } as Judged).words

const numbers = (area: string, unit: string, rows: readonly (readonly [string, number, number, () => number])[]): Case[] =>
  rows.map(([what, expected, within, found]) => ({ area, what, unit, expected, within, found }))

/** The sheet of cases that `./mozle calc --cases` prints, for a chemist who wants to check. */
export const cases: readonly Case[] = [
  ...numbers(
    'boiling under pressure',
    '°C',
    underPressure.map(([id, mmHg, atC, within]) => [
      `${record(id).name} at ${mmHg} mmHg`,
      atC,
      within,
      () => boilsAt(record(id), mmHg)?.atC ?? NaN,
    ]),
  ),
  ...numbers(
    'boiling of mixtures',
    '°C',
    mixtures.map(([what, contents, atC, within]) => [what, atC, within, () => boils(contents)]),
  ),
  ...numbers(
    'heat capacity',
    'J/(g·K)',
    capacities.map(([what, contents, cp, within]) => [
      what,
      cp,
      within,
      () => heatCapacityIn(vesselOf(...contents).phases)?.cp ?? NaN,
    ]),
  ),
  ...numbers(
    'adiabatic rise',
    'K',
    rises.map(([what, mmol, kJ, g, cp, kelvin]) => [what, kelvin, 1.6, () => adiabaticRise(mmol, kJ, [{ g, cp }])]),
  ),
  ...numbers('gas', 'mL at 20 °C', [
    // 24.06 mL to the mmol.
    ['10 mmol of bicarbonate and enough acid', 240.6, 0.5, () => gasML('carbonate', 'acid', ['NaHCO3', 10], ['HCl', 20])],
    [
      '10 mmol of carbonate and 10 of acid: half of it',
      120.3,
      0.5,
      () => gasML('carbonate', 'acid', ['Na2CO3', 10], ['HCl', 10]),
    ],
    ['5 mmol of lithium aluminium hydride in water', 481.2, 1, () => gasML('hydride', 'water', ['LiAlH4', 5], ['H2O', 1000])],
    ['10 mmol of sodium hydride in water', 240.6, 0.5, () => gasML('hydride', 'water', ['NaH', 10], ['H2O', 1000])],
    ['10 mmol of thionyl chloride in water', 721.8, 1, () => gasML('water-reactive', 'water', ['SOCl2', 10], ['H2O', 1000])],
  ]),
  ...numbers('partition', '', [
    // D = K/(1 + 10^(pH − pKa)).
    ['benzoic acid, K 74, at its pKa', 37, 0.01, () => distributionAt(benzoic, 74, 4.2)],
    ['the same two units above', 74 / 101, 0.001, () => distributionAt(benzoic, 74, 6.2)],
    // 1/(1 + 4·10/30)³, and e⁻⁴ with endless portions.
    [
      'D 4, three times 10 mL from 30: left',
      0.0787,
      0.0002,
      () => fractionLeft({ D: 4, waterML: 30, portionML: 10, portions: 3 }),
    ],
    ['the same 30 mL at once: left', 0.2, 1e-9, () => fractionLeft({ D: 4, waterML: 30, portionML: 30, portions: 1 })],
    ['the same in endless portions: left', 0.0183, 0.0002, () => fractionLimit(4, 30, 30)],
    ['portions of 10 mL for 99 %', 6, 0, () => portionsFor(0.99, { D: 4, waterML: 30, portionML: 10 }) ?? NaN],
  ]),
  ...numbers(
    'solutions',
    'mol/L',
    strengths.map(([what, form, gPerMol, molPerL]) => [what, molPerL, 0.06, () => molarityOf(form, gPerMol, 1.049) ?? NaN]),
  ),
  ...numbers(
    'stock solutions',
    'g or mL',
    recipes.map(([id, toML, , value]) => [
      `${stock(id).name}, ${toML} mL`,
      value,
      value * 0.006,
      () => {
        const { recipe } = stockCard(stock(id), toML)
        return 'why' in recipe ? NaN : recipe.take.value
      },
    ]),
  ),
  ...numbers('solutions', 'g', [
    // 0.1 mol/L × 0.25 L × 249.68 g/mol.
    [
      'copper sulfate pentahydrate, 250 mL of 0.1 mol/L',
      6.242,
      0.005,
      () => makeUp({ molPerL: 0.1, toML: 250, gPerMol: 159.61 }, { kind: 'solid', purity: 1, water: 5 }).take.value,
    ],
    [
      'sodium hydroxide of 97 %, 100 mL of 1 mol/L',
      4.124,
      0.002,
      () => makeUp({ molPerL: 1, toML: 100, gPerMol: 40 }, { kind: 'solid', purity: 0.97 }).take.value,
    ],
  ]),
  ...numbers('crystallisation', 'mL, g or °C', [
    // 100·5/5.5 and a tenth more.
    ['5 g that dissolve to 5.5 g hot: solvent', 100, 0.1, () => hotVolume(5, 5.5, false)],
    ['the same filtered hot: solvent', 127.3, 0.1, () => hotVolume(5, 5.5, true)],
    ['5 g from 100 mL, 0.5 g stay: crop', 4.5, 1e-9, () => cropFrom(5, 100, 0.5).cropG],
    ['boiled down for 96 % of 5 g at 0.5 g: to', 40, 1e-9, () => boilDownTo(5, 0.96, 0.5)],
    ['second crop of 0.5 g from 20 mL at 0.5 g', 0.4, 1e-9, () => secondCrop(0.5, 20, 0.5)],
    // √(10 × 0.1).
    ['half and half of solvents with 10 and 0.1 g', 1, 1e-9, () => solubilityInMixture(10, 0.1, 0.5)],
    // ln s linear in 1/T: 0.46·(5.5/0.46)^0.560.
    [
      'acetanilide in water at 60 °C',
      1.846,
      0.005,
      () =>
        solubilityAt(
          [
            { atC: 20, gPer100ML: 0.46 },
            { atC: 100, gPer100ML: 5.5 },
          ],
          60,
        ),
    ],
    [
      '1.846 g of it are saturated at',
      60,
      0.5,
      () =>
        saturatedAtC(
          [
            { atC: 20, gPer100ML: 0.46 },
            { atC: 100, gPer100ML: 5.5 },
          ],
          1.846,
        ) ?? NaN,
    ],
  ]),
  ...numbers('limit of two', 'mmol', [
    ['10.0 ± 0.1 and 10.0 ± 0.1', 9.9436, 0.0001, () => limitOfTwo({ value: 10, u: 0.1 }, { value: 10, u: 0.1 }).value],
    ['10.0 ± 0.1 and 12.0 ± 0.1', 10, 1e-6, () => limitOfTwo({ value: 10, u: 0.1 }, { value: 12, u: 0.1 }).value],
  ]),
  ...numbers('melting', '%', [
    // x = ΔH·ΔT/(R·T²): 20 kJ/mol, 2 K below 387 K.
    ['impurity from 2 K below 114 °C at 20 kJ/mol', 3.2, 0.15, () => 100 * impurityFromDepression(114, 112, 20)],
  ]),
  ...numbers('thermometer', '°C', [
    // t + 0.00016·n·(t − 20) solved for t at 200 °C with 100 K outside.
    [
      'mercury, 100 K of the stem outside at 200 °C',
      197.2,
      0.2,
      () => expectedReading(200, { filling: 'mercury', stemK: 100, lagK: 0, roomC: 20 }),
    ],
  ]),
  ...(
    [
      ['75 % where 70–83 are expected, sharp at the literature', {}, 'Consistent with pure'],
      ['107 %, dry', { fraction: 1.07 }, 'Above 100 %'],
      ['60 %, sharp at the literature', { fraction: 0.6 }, 'Pure but little: losses'],
      ['98 % where 55–75 are expected', { fraction: 0.98, expected: { low: 0.55, high: 0.75 } }, 'More than expected'],
      [
        '97 % over a ceiling of 67 %',
        { fraction: 0.97, melts: false, expected: null, ceiling: 0.67 },
        'More than the equilibrium allows',
      ],
      [
        '43 % where 50–90 are expected, nothing melts',
        { fraction: 0.43, melts: false, expected: { low: 0.5, high: 0.9 } },
        'Little',
      ],
      ['not dried to constant mass', { dry: false }, 'Not dry'],
    ] as [string, Partial<Judged>, string][]
  ).map(([what, part, expected]): Case => ({
    area: 'judgement',
    what,
    unit: '',
    expected,
    within: 0,
    found: () => judged(part),
  })),
]

/** How far a case is off, in its unit, and whether that is within what it may be; words are met where what is said begins with them. */
export function deviation({ expected, within, found }: Case): { value: number | string; off: number | null; holds: boolean } {
  const value = found()
  if (typeof expected === 'string' || typeof value === 'string')
    return { value, off: null, holds: String(value).startsWith(String(expected)) }
  const off = value - expected
  return { value, off, holds: Math.abs(off) <= within + 1e-12 }
}
