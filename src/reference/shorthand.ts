import type { Lexicon } from '@/core/reading/handout/names'
import type { SubstanceRecord } from '@/core/substance/record'
import type { Substance } from '@/core/substance/substance'
import { concentrated } from './concentrated'
import { stockSolutions } from './solutions'
import { forPlan, substanceRecords } from './records'

/** What chemists write for a substance besides its names. */
const shorthand: Lexicon['shorthand'] = [
  ...(
    [
      ['MeOH', 'methanol'],
      ['EtOH', 'ethanol'],
      ['iPrOH', 'propan-2-ol'],
      ['i-PrOH', 'propan-2-ol'],
      ['IPA', 'propan-2-ol'],
      ['n-BuOH', 'butan-1-ol'],
      ['t-BuOH', 'tert-butyl-alcohol'],
      ['DCM', 'dichloromethane'],
      ['EtOAc', 'ethyl-acetate'],
      ['AcOEt', 'ethyl-acetate'],
      ['MeOAc', 'methyl-acetate'],
      ['Et2O', 'diethyl-ether'],
      ['TBME', 'tert-butyl-methyl-ether'],
      ['t-BuOMe', 'tert-butyl-methyl-ether'],
      ['AcOH', 'acetic-acid'],
      ['HOAc', 'acetic-acid'],
      ['Ac2O', 'acetic-anhydride'],
      ['AcCl', 'acetyl-chloride'],
      ['MeCN', 'acetonitrile'],
      ['PhMe', 'toluene'],
      ['PhCHO', 'benzaldehyde'],
      ['PhNH2', 'aniline'],
      ['BuBr', '1-bromobutane'],
      ['n-BuBr', '1-bromobutane'],
      ['Et3N', 'triethylamine'],
      ['TEA', 'triethylamine'],
      ['NaOAc', 'sodium-acetate'],
      ['NaOMe', 'sodium-methoxide'],
      ['NaOEt', 'sodium-ethoxide'],
      ['KOtBu', 'potassium-tert-butoxide'],
      ['TsOH', 'p-toluenesulfonic-acid-monohydrate'],
      ['2,4-DNP', '2-4-dinitrophenylhydrazine'],
      ['2,4-DNPH', '2-4-dinitrophenylhydrazine'],
      ['thiamine hcl', 'thiamine-hydrochloride'],
      ['bicarb', 'sodium-bicarbonate'],
      ['bicarbonate', 'sodium-bicarbonate'],
      ['bicarbonate of soda', 'sodium-bicarbonate'],
      ['ice', 'water'],
      ['ice-water', 'water'],
      ['ice water', 'water'],
      ['iced water', 'water'],
      ['distilled water', 'water'],
      ['deionised water', 'water'],
      ['deionized water', 'water'],
      ['charcoal', 'charcoal'],
      ['active carbon', 'charcoal'],
      ['activated carbon', 'charcoal'],
      ['decolorizing carbon', 'charcoal'],
      ['decolorizing charcoal', 'charcoal'],
      ['decolourising charcoal', 'charcoal'],
      ['magnesium ribbon', 'magnesium'],
      ['Mg turnings', 'magnesium'],
      ['zinc', 'zinc'],
      ['petrol', 'petroleum-ether'],
      ['light petroleum', 'petroleum-ether'],
      ['pet. ether', 'petroleum-ether'],
      ['glacial acetic acid', 'acetic-acid'],
      ['glacial ethanoic acid', 'acetic-acid'],
      ['silica', 'silica'],
      ['powdered chalk', 'calcium-carbonate'],
    ] as const
  ).map(([written, of]) => ({ written, of })),
  { written: 'brine', of: 'sodium-chloride', strength: 'saturated' },
  { written: 'saturated brine', of: 'sodium-chloride', strength: 'saturated' },
]

const withNames = (record: SubstanceRecord) => ({
  substance: forPlan(record),
  names: [record.name, ...(record.systematicName ? [record.systematicName] : []), ...(record.synonyms ?? [])],
})

/** Strengths in which concentrated acids are sold as well; densities from general knowledge of the handbook, not yet compared with it. */
const bottle = (fraction: number, gPerML: number) => ({
  kind: 'mass-fraction' as const,
  fraction,
  gPerML,
  source: 'label of the bottle',
})

/** A bottle that stands ready, as a reader of procedures offers it for a strength that is not said. */
const bottles: Lexicon['bottles'] = [
  ...(
    [
      ['hydrochloric-acid', '37 %, 1.18 g/mL', concentrated.hydrochloric],
      ['hydrochloric-acid', '32 %, 1.16 g/mL', bottle(0.32, 1.16)],
      ['sulfuric-acid', '96 %, 1.84 g/mL', concentrated.sulfuric],
      ['sulfuric-acid', '98 %, 1.84 g/mL', bottle(0.98, 1.84)],
      ['nitric-acid', '68 %, 1.405 g/mL', concentrated.nitric],
      ['nitric-acid', '65 %, 1.39 g/mL', bottle(0.65, 1.39)],
      ['nitric-acid', '70 %, 1.41 g/mL', bottle(0.7, 1.41)],
      ['ammonia', '25 %, 0.91 g/mL', concentrated.ammonia],
      ['ammonia', '28 %, 0.90 g/mL', bottle(0.28, 0.9)],
      ['phosphoric-acid', '85 %, 1.685 g/mL', concentrated.phosphoric],
      ['hydrogen-peroxide', '30 %, 1.11 g/mL', concentrated.peroxide],
    ] as const
  ).map(([of, name, form]) => ({ of, name, form, kind: 'concentrated' as const })),
  ...stockSolutions.map(({ of, name, form, saturated }) => ({
    of,
    name,
    form,
    kind: saturated ? ('saturated' as const) : ('other' as const),
  })),
]

const solvents = [
  'water methanol ethanol propan-2-ol diethyl-ether tert-butyl-methyl-ether tetrahydrofuran dichloromethane chloroform ethyl-acetate acetone toluene hexane heptane pentane',
  'cyclohexane acetonitrile dimethylformamide dimethyl-sulfoxide petroleum-ether acetic-acid 1-4-dioxane pyridine',
]
  .join(' ')
  .split(' ')

const byProducts: Lexicon['byProducts'] = [
  ...[
    'water',
    'acetic-acid',
    'hydrochloric-acid',
    'methanol',
    'sodium-chloride',
    'sodium-bromide',
    'potassium-chloride',
    'calcium-sulfate',
    'nitrogen-dioxide',
  ].flatMap((id) => substanceRecords.filter((record) => record.id === id).map(forPlan)),
  { id: 'carbon-dioxide', name: 'carbon dioxide', formula: 'CO2' },
  { id: 'magnesium-bromide-hydroxide', name: 'magnesium bromide hydroxide', formula: 'MgBrOH' },
]

/** What the reader of pasted procedures knows: the records that ship with the program, and those of the course. */
export const lexiconWith = (own: readonly Substance[] = []): Lexicon => ({
  substances: [
    ...own.map((substance) => ({
      substance,
      names: [substance.name, ...(substance.systematicName ? [substance.systematicName] : [])],
    })),
    ...substanceRecords.map(withNames),
  ],
  shorthand,
  bottles,
  solvents,
  byProducts,
})
