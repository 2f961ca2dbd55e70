import type { Form } from '@/core/plan/plan'
import type { Substance } from '@/core/substance/substance'
import type { SolutionSolvent } from '@/core/substance/solutionSolvents'
import { molarMass } from '@/core/substance/molarMass'
import { makeUp, molarityOf, type Recipe } from '@/core/reaction/makeUp'
import type { Stock } from '@/core/stores/batch'
import { sameSubstance } from '@/core/stores/bottle'
import { plainName } from '@/core/substance/search'
import { concentrated } from './concentrated'
import { fractionOf, hazardsAt, type LabelHazards } from './hazardsAt'
import { substanceRecords } from './records'

/** A solution that stands ready in a teaching laboratory: of which record, how strong and dense, and what it is made from. */
export interface StockSolution {
  id: string
  name: string
  /** Id of the record of what is dissolved. */
  of: string
  form: Form
  from: Form
  /** What its maker must know besides the amounts. */
  note?: string
  /** How long it keeps, in words. */
  keeps: string
  /** For how many days one batch may serve further sessions; absent where that is not said in days. */
  keepsDays?: number
  /** Some stays on the bottom. */
  saturated?: boolean
  /** It is used at the strength that was found by titration. */
  standardised?: boolean
}

const percent = (value: number, gPerML: number): Form => ({
  kind: 'mass-fraction',
  fraction: value / 100,
  gPerML,
  source: 'CRC Handbook of Chemistry and Physics, concentrative properties of aqueous solutions; not yet compared with it',
})
const molar = (molPerL: number, gPerML: number): Form => ({ kind: 'solution', molPerL, gPerML })
const inSolvent = (solvent: SolutionSolvent, gPer100ML: number): Form => ({ kind: 'mass-volume', gPer100ML, solvent })
const solid = (water?: number): Form => ({ kind: 'solid', purity: 1, ...(water ? { water } : {}) })
const acidIntoWater = 'Acid into water, in small portions, cooled and stirred; never the reverse.'
const hotBase = 'It turns hot: the pellets in portions into cold water, stirred, in a beaker of borosilicate or plastic.'
const months = 'months'
/** What keeps for months serves at least the sessions of one; what keeps for weeks those of a fortnight. */
const [monthsDays, weeksDays] = [30, 14]

const row = (
  id: string,
  name: string,
  of: string,
  form: Form,
  from: Form,
  more: Partial<Pick<StockSolution, 'note' | 'keeps' | 'keepsDays' | 'saturated' | 'standardised'>> = {},
): StockSolution => ({
  id,
  // 5 % of what? By mass or in 100 mL: the name says it.
  name: name.endsWith('%') ? `${name} ${form.kind === 'mass-volume' ? 'w/v' : 'w/w'}` : name,
  of,
  form,
  from,
  keeps: months,
  ...(more.keeps === undefined ? { keepsDays: monthsDays } : {}),
  ...more,
})

/** The usual solutions. Strengths and densities were written from general knowledge of the handbook. */
export const stockSolutions: readonly StockSolution[] = [
  row('brine', 'brine (saturated sodium chloride)', 'sodium-chloride', percent(26, 1.197), solid(), {
    note: 'A tenth more salt than dissolves, so that some stays on the bottom.',
    saturated: true,
  }),
  row('saturated-bicarbonate', 'saturated sodium bicarbonate', 'sodium-bicarbonate', percent(8.8, 1.065), solid(), {
    note: 'Not above 40 °C, where it loses carbon dioxide; a tenth more than dissolves.',
    saturated: true,
  }),
  row('bicarbonate-5', 'sodium bicarbonate, 5 %', 'sodium-bicarbonate', percent(5, 1.034), solid()),
  row('carbonate-10', 'sodium carbonate, 10 %', 'sodium-carbonate', percent(10, 1.103), solid()),
  row('potassium-carbonate-10', 'potassium carbonate, 10 %', 'potassium-carbonate', percent(10, 1.09), solid()),
  row('naoh-5', 'sodium hydroxide, 5 %', 'sodium-hydroxide', percent(5, 1.054), solid(), { note: hotBase }),
  row('naoh-10', 'sodium hydroxide, 10 %', 'sodium-hydroxide', percent(10, 1.109), solid(), { note: hotBase }),
  row('naoh-1', 'sodium hydroxide, 1 mol/L', 'sodium-hydroxide', molar(1, 1.04), solid(), { note: hotBase }),
  row('naoh-6', 'sodium hydroxide, 6 mol/L', 'sodium-hydroxide', molar(6, 1.22), solid(), { note: hotBase }),
  row('naoh-0.1', 'sodium hydroxide, 0.1 mol/L', 'sodium-hydroxide', molar(0.1, 1.002), solid(), {
    note: 'Standardised against potassium hydrogen phthalate.',
    standardised: true,
    keeps: 'weeks, stoppered: it takes up carbon dioxide',
    keepsDays: weeksDays,
  }),
  row('koh-6', 'potassium hydroxide, 6 mol/L', 'potassium-hydroxide', molar(6, 1.26), solid(), { note: hotBase }),
  row('hcl-5', 'hydrochloric acid, 5 %', 'hydrochloric-acid', percent(5, 1.023), concentrated.hydrochloric, {
    note: acidIntoWater,
  }),
  row('hcl-10', 'hydrochloric acid, 10 %', 'hydrochloric-acid', percent(10, 1.048), concentrated.hydrochloric, {
    note: acidIntoWater,
  }),
  row('hcl-1', 'hydrochloric acid, 1 mol/L', 'hydrochloric-acid', molar(1, 1.016), concentrated.hydrochloric, {
    note: acidIntoWater,
  }),
  row('hcl-3', 'hydrochloric acid, 3 mol/L', 'hydrochloric-acid', molar(3, 1.05), concentrated.hydrochloric, {
    note: acidIntoWater,
  }),
  row('hcl-6', 'hydrochloric acid, 6 mol/L', 'hydrochloric-acid', molar(6, 1.1), concentrated.hydrochloric, {
    note: acidIntoWater,
  }),
  row('hcl-0.1', 'hydrochloric acid, 0.1 mol/L', 'hydrochloric-acid', molar(0.1, 1), concentrated.hydrochloric, {
    note: 'Standardised against sodium carbonate.',
    standardised: true,
  }),
  row('sulfuric-1', 'sulfuric acid, 1 mol/L', 'sulfuric-acid', molar(1, 1.06), concentrated.sulfuric, { note: acidIntoWater }),
  row('sulfuric-3', 'sulfuric acid, 3 mol/L', 'sulfuric-acid', molar(3, 1.18), concentrated.sulfuric, {
    note: `${acidIntoWater} In an ice bath.`,
  }),
  row('sulfuric-10', 'sulfuric acid, 10 %', 'sulfuric-acid', percent(10, 1.066), concentrated.sulfuric, { note: acidIntoWater }),
  row('nitric-2', 'nitric acid, 2 mol/L', 'nitric-acid', molar(2, 1.065), concentrated.nitric, { note: acidIntoWater }),
  row('phosphoric-1', 'phosphoric acid, 1 mol/L', 'phosphoric-acid', molar(1, 1.05), concentrated.phosphoric, {
    note: acidIntoWater,
  }),
  row('acetic-5', 'acetic acid, 5 %', 'acetic-acid', percent(5, 1.006), concentrated.acetic),
  row('ammonia-2', 'ammonia, 2 mol/L', 'ammonia', molar(2, 0.983), concentrated.ammonia, { note: 'In the hood.' }),
  row('ammonia-6', 'ammonia, 6 mol/L', 'ammonia', molar(6, 0.954), concentrated.ammonia, { note: 'In the hood.' }),
  row('ammonium-chloride', 'saturated ammonium chloride', 'ammonium-chloride', percent(27, 1.075), solid(), { saturated: true }),
  row('thiosulfate-10', 'sodium thiosulfate, 10 %', 'sodium-thiosulfate-pentahydrate', percent(10, 1.083), solid(), {
    keeps: 'weeks',
    keepsDays: weeksDays,
  }),
  row('bisulfite', 'saturated sodium bisulfite', 'sodium-bisulfite', percent(38, 1.33), solid(), {
    note: 'In the hood: it smells of sulfur dioxide.',
    saturated: true,
    keeps: 'days, stoppered',
  }),
  row('calcium-chloride-20', 'calcium chloride, 20 %', 'calcium-chloride', percent(20, 1.178), solid()),
  row('peroxide-3', 'hydrogen peroxide, 3 %', 'hydrogen-peroxide', percent(3, 1.01), concentrated.peroxide, {
    keeps: 'weeks, cool and dark, with a vented cap',
    keepsDays: weeksDays,
  }),
  row('permanganate-1', 'potassium permanganate, 1 %', 'potassium-permanganate', percent(1, 1.005), solid(), {
    keeps: 'weeks, dark',
    keepsDays: weeksDays,
  }),
  row('dichromate', 'potassium dichromate, 0.1 mol/L', 'potassium-dichromate', molar(0.1, 1.02), solid(), {
    note: 'Acidified in the tube with dilute sulfuric acid when it is used.',
  }),
  row(
    'bromine-water',
    'bromine water, 2 %',
    'bromine',
    percent(2, 1.015),
    { kind: 'neat', purity: 1 },
    { note: 'In the hood, gloves that bromine does not go through, thiosulfate at hand.', keeps: 'days, dark' },
  ),
  row('iodine-potassium-iodide', 'potassium iodide, 10 %', 'potassium-iodide', percent(10, 1.076), solid(), {
    note: 'For iodine solution dissolve 1 g of iodine in 100 mL of it.',
    keeps: 'weeks, dark',
    keepsDays: weeksDays,
  }),
  row('ferric-chloride', 'iron(III) chloride, 2.5 %', 'iron-iii-chloride', percent(2.5, 1.02), solid(), {
    keeps: 'weeks',
    keepsDays: weeksDays,
  }),
  row('silver-nitrate-0.1', 'silver nitrate, 0.1 mol/L', 'silver-nitrate', molar(0.1, 1.01), solid(), {
    keeps: 'months, dark',
    keepsDays: monthsDays,
  }),
  row('silver-nitrate-ethanol', 'silver nitrate in ethanol, 2 %', 'silver-nitrate', inSolvent('ethanol', 2), solid(), {
    note: 'Never warmed to dryness; what is left goes with heavy metals within the week.',
    keeps: 'a week, dark',
  }),
  row('sodium-iodide-acetone', 'sodium iodide in acetone, 15 %', 'sodium-iodide', inSolvent('acetone', 15), solid(), {
    keeps: 'till it turns brown',
  }),
  row(
    'butyllithium-hexane',
    'butyllithium in hexane, 1.6 mol/L',
    'butyllithium',
    { kind: 'solution', molPerL: 1.6, gPerML: 0.68, solvent: 'hexane' },
    { kind: 'solution', molPerL: 1.6, gPerML: 0.68, solvent: 'hexane' },
    { note: 'Bought; it is not made here. Titrated before it is used.', keeps: 'under nitrogen, cold' },
  ),
]

export interface StockCard extends StockSolution {
  substance: string
  molPerL: number | null
  /** Mass fraction of what is dissolved, where its density is known. */
  fraction: number | null
  recipe: Recipe | { why: string }
  hazards: LabelHazards
}

/** A stock solution worked out for a volume: what to take, and what its label says by the limits of the regulation. */
export function stockCard(stock: StockSolution, toML: number): StockCard {
  const record = substanceRecords.find(({ id }) => id === stock.of)!
  // A stock solution is of one substance, which has a formula: a test walks them.
  const gPerMol = molarMass(record.formula!)
  const molPerL = molarityOf(stock.form, gPerMol)
  return {
    ...stock,
    substance: record.name,
    molPerL,
    fraction: fractionOf(stock.form, gPerMol),
    recipe: recipeFor(stock, { molPerL, toML, gPerMol, neatGPerML: record.density?.gPerML }),
    hazards: hazardsAt(record, stock.form),
  }
}

/** How a solution of a plan is made here: the stock solution of the same strength; else what another strength of it is made from; a substance that melts above the room from the solid. */
export function stockFor(
  substance: Pick<Substance, 'name' | 'systematicName' | 'formula'> & { melting?: { lowC: number } },
  form: Form,
): Stock | undefined {
  const same = stockSolutions.filter(({ of }) => {
    const { name, formula = null } = substanceRecords.find(({ id }) => id === of)!
    return sameSubstance({ substance: name, formula }, substance)
  })
  const gPerMol = substance.formula === undefined ? null : molarMass(substance.formula)
  const strength = gPerMol === null ? null : molarityOf(form, gPerMol)
  const solvent = 'solvent' in form ? form.solvent : undefined
  const exact = same.find((stock) => {
    const other = gPerMol === null ? null : molarityOf(stock.form, gPerMol)
    const otherSolvent = 'solvent' in stock.form ? stock.form.solvent : undefined
    // Strengths that differ by less than a fiftieth are one: a label rounds them.
    return strength !== null && other !== null && solvent === otherSolvent && Math.abs(other / strength - 1) < 0.02
  })
  if (exact) {
    // What goes into what is said with every batch: the note would say it twice.
    const { note, ...rest } = exact
    return note === hotBase || note === acidIntoWater ? rest : exact
  }
  const [like] = same
  if (like && JSON.stringify(like.from) !== JSON.stringify(like.form))
    return { from: like.from, ...(like.standardised ? {} : noteOf(like)) }
  return (substance.melting?.lowC ?? -Infinity) > roomC ? { from: solid() } : undefined
}

const roomC = 25
const noteOf = ({ note, saturated }: StockSolution) =>
  note && !saturated && note !== hotBase && note !== acidIntoWater ? { note } : {}

function recipeFor(
  { form, from }: StockSolution,
  at: { molPerL: number | null; toML: number; gPerMol: number; neatGPerML: number | undefined },
): StockCard['recipe'] {
  if (at.molPerL === null) return { why: 'its strength is not said' }
  if (JSON.stringify(form) === JSON.stringify(from)) return { why: 'it is bought as it is' }
  try {
    return makeUp({ ...at, molPerL: at.molPerL }, from)
  } catch (error) {
    if (error instanceof RangeError) return { why: error.message }
    throw error
  }
}

/** What a stock solution may be looked for by: its name, and every name and the formula of what is dissolved. */
export function wordsOfSolution({ name, of }: Pick<StockSolution, 'name' | 'of'>): string {
  const { name: substance, systematicName = '', synonyms = [], formula = '' } = substanceRecords.find(({ id }) => id === of)!
  return [name, substance, systematicName, ...synonyms, formula].map(plainName).join(' ')
}
