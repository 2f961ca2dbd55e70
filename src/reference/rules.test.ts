/** What the rules of the operations say of the records: held to what they said on the day the file beside this was written. A difference is a mended fault, or a mistake. */
import { createHash } from 'node:crypto'
import path from 'node:path'
import { heatCapacityIn } from '@/core/matter/heatCapacity'
import { compareSolvents } from '@/core/operations/crystallise/compareSolvents'
import { solventPairs } from '@/core/operations/crystallise/solventPairs'
import { azeotropes, boilsWith, infiniteDilution, wilsonFromDilution, wilsonOf } from '@/core/matter/azeotropes'
import { withWater } from '@/core/operations/distil/partsFromWater'
import { agentsFor, dryingAgents, dryingDose, speaksAgainst, waterInSolvent } from '@/core/operations/dry-solution/dryingAgents'
import { partitionOf } from '@/core/matter/partitionOf'
import { thingOf } from '@/core/matter/thing'
import { filteringFor, flutedPaper, suctionPaper } from '@/core/operations/filter/papers'
import { neutralisation, neutralisers } from '@/core/operations/quench/neutralise'
import { expectedOf, testMethods } from '@/core/operations/test/testPanel'
import { boilsAtIn } from '@/core/matter/boilsAt'
import { acidBoilsAtC } from '@/core/matter/strongAcids'
import { fittingSize, vesselSizes } from '@/core/operations/vessel/vessel'
import { isWatery } from '@/core/operations/vessel/watery'
import { actsAs, harmBy } from '@/core/operations/wash/harms'
import { impurityKind, type Impurity } from '@/core/operations/wash/impurities'
import { afterWater, dissolvedFrom, harmOf, measured, washPlan, washSolutions } from '@/core/operations/wash/washPlan'
import type { Line, Vessel } from '@/core/plan/plan'
import type { Substance } from '@/core/substance/substance'
import { molarMass } from '@/core/substance/molarMass'
import { vapourConstants } from '@/core/substance/boilsAt'
import { figureText } from '@/test-support/figureText'
import { Kept } from '@/test-support/kept'
import { inWater, neat, solid, solution, vesselOf, type Poured } from './poured'
import { someOf } from '@/test-support/vessels'
import { crystallisationSolvents, forPlan, substanceRecords } from './records'

const kept = new Kept(path.join(__dirname, 'rules.txt'))
afterAll(() => kept.write())

const records: readonly Substance[] = substanceRecords.map(forPlan)
const withFormula = records.filter(({ formula }) => formula !== undefined)
const byId = (id: string) => records.find((each) => each.id === id)!
const bySmiles = (smiles: string) => records.find((each) => each.smiles === smiles)

/** Records that have the same answer stand on one line. */
function alike(of: readonly Substance[], says: (substance: Substance) => string): string[] {
  const groups = new Map<string, string[]>()
  for (const each of of) groups.set(says(each), [...(groups.get(says(each)) ?? []), each.id])
  const named = (ids: readonly string[]) =>
    ids.length < 9 ? ids.join(' ') : `${ids.length} records ${createHash('sha1').update(ids.join()).digest('hex').slice(0, 6)}`
  return [...groups].map(([answer, ids]) => `${answer}: ${named(ids)}`)
}

const liquids = [
  ...['water', 'ethanol', 'methanol', 'butan-1-ol', 'acetone', 'ethyl-acetate', 'diethyl-ether', 'tetrahydrofuran', 'toluene'],
  ...['cyclohexane', 'hexane', 'dichloromethane', 'acetic-acid', 'aniline', 'pyridine', 'isopentyl-alcohol', 'isopentyl-acetate'],
]
const boils = (contents: readonly Poured[], mmHg = 760): string => {
  const found = boilsAtIn(vesselOf(...contents).phases, mmHg)
  if ('unknown' in found) return `unknown ${found.unknown.map(({ name }) => name).join() || 'none'}`
  const { atC, plusMinusK, orHigher, main } = found
  return figureText({ atC, plusMinusK, ...(orHigher ? { orHigher } : {}), main: main.name })
}
const dissolved: [string, Poured][] = [
  ['salt water', inWater('sodium-chloride', 10, 20)],
  ['solid salt', solid('sodium-chloride', 2)],
  ['benzoic acid', solid('benzoic-acid', 2)],
  ['magnesium', solid('magnesium', 2)],
  ['lye', inWater('sodium-hydroxide', 10, 10)],
  ['hydrochloric acid', inWater('hydrochloric-acid', 10, 20)],
  ['a little hydrochloric acid', inWater('hydrochloric-acid', 0.5, 37)],
  ['sulfuric acid', neat('sulfuric-acid', 3)],
  ['butyllithium in hexane', solution('butyllithium', 10, 1.6, 'hexane')],
  ['lye by the litre', solution('sodium-hydroxide', 10, 3)],
]

const sections: Record<string, () => string[]> = {
  'what boils alone': () =>
    withFormula.map(({ id }) => `${id} ${boils([neat(id, 10)])}`).filter((line) => !line.includes('unknown')),
  'what boils as its melt': () =>
    withFormula.map(({ id }) => `${id} ${boils([solid(id, 10)])}`).filter((line) => !line.includes('unknown')),
  'under pressure': () => liquids.flatMap((id) => [20, 620, 790].map((mmHg) => `${id} ${mmHg} ${boils([neat(id, 10)], mmHg)}`)),
  'two liquids': () =>
    liquids.flatMap((one, index) =>
      liquids.slice(index + 1).flatMap((other) =>
        [
          [5, 5],
          [9, 1],
          [1, 30],
        ].map(([a, b]) => `${a} ${one} ${b} ${other} ${boils([neat(one, a!), neat(other, b!)])}`),
      ),
    ),
  'three liquids': () =>
    [
      ['water', 'ethanol', 'toluene'],
      ['water', 'ethanol', 'ethyl-acetate'],
      ['water', 'acetic-acid', 'isopentyl-acetate'],
      ['water', 'tetrahydrofuran', 'hexane'],
      ['water', 'aniline', 'acetic-acid'],
      ['acetone', 'methanol', 'hexane'],
    ].flatMap((ids) => [
      `${ids.join(' ')} ${boils(ids.map((id) => neat(id, 5)))}`,
      `much ${ids.join(' ')} ${boils(ids.map((id, index) => neat(id, index === 1 ? 20 : 3)))}`,
    ]),
  'with what is dissolved': () =>
    dissolved.flatMap(([name, one]) =>
      liquids
        .slice(0, 12)
        .map((id) => `${name} in ${id} ${boils([one, neat(id, 10)])} ${boils([one, neat('water', 4), neat(id, 10)], 700)}`),
    ),
  'what boils is not known': () =>
    [[], [someOf('toluene')], [solid('magnesium', 1)], [solid('sodium-chloride', 1)]].map((contents) => boils(contents)),
  'strong acids': () =>
    ['H2SO4', 'HNO3', 'HCl', 'HBr', 'H3PO4', 'HF', undefined].flatMap((formula) =>
      Array.from({ length: 51 }, (_, at) => at / 50 - (at === 50 ? 0.002 : 0)).flatMap((fraction) => {
        const atC = acidBoilsAtC(formula, fraction)
        return atC === null ? [] : [`${formula} ${fraction} ${figureText(atC)}`]
      }),
    ),
  'strong acids at their last point': () =>
    (
      [
        ['H2SO4', 0.983],
        ['HNO3', 1],
        ['HCl', 0.38],
        ['HBr', 0.475],
        ['H3PO4', 0.85],
      ] as const
    ).map(
      ([formula, last]) =>
        `${formula} ${acidBoilsAtC(formula, last)} ${acidBoilsAtC(formula, last + 1e-6)} ${acidBoilsAtC(formula, -1e-6)} ${acidBoilsAtC(formula, 0)}`,
    ),
  azeotropes: () =>
    azeotropes.map(({ one, other, atC, percentOfOne, layers }) => {
      const of = [bySmiles(one), bySmiles(other)].map(
        (each) =>
          each &&
          vapourConstants(each) && {
            ...vapourConstants(each)!,
            name: '',
            gPerMol: molarMass(each.formula!),
            gPerML: 1,
            smiles: each.smiles,
          },
      )
      const [a, b] = of
      const lambda = a && b && wilsonOf(a, b)
      const back = a && b && wilsonOf(b, a)
      return `${one} ${other} ${figureText([atC, percentOfOne])} ${layers} ${lambda ? figureText([...lambda, ...back!, boilsWith([a, b], lambda, 0.3)]) : ''}`
    }),
  'endlessly dilute': () =>
    infiniteDilution.map(({ one, other, lnGamma }) => `${one} ${other} ${figureText(wilsonFromDilution(lnGamma))}`),
  'no constants': () =>
    (
      [
        [0, 0],
        [1, 1],
        [-1, 2],
        [5, 5],
        [8, 0.1],
        [0.1, 9],
        [-3, -3],
      ] as const
    ).map((pair) => `${pair.join(' ')} ${figureText(wilsonFromDilution(pair))}`),
  'heat capacities of solids': () =>
    alike(records, ({ id, formula }) => (formula ? figureText(heatCapacityIn(vesselOf(solid(id, 3)).phases)) : '')),
  'heat capacities of liquids': () =>
    alike(records, ({ id, formula }) => (formula ? figureText(heatCapacityIn(vesselOf(neat(id, 3)).phases)) : '')),
  'heat capacities of solutions': () =>
    alike(records, ({ id, formula }) =>
      formula ? figureText(heatCapacityIn(vesselOf(inWater(id, 3, 20), neat('water', 2)).phases)) : '',
    ),
  'heat capacities of what is measured by volume': () =>
    dissolved.map(
      ([name, one]) =>
        `${name} ${figureText(heatCapacityIn(vesselOf(one).phases))} ${figureText(heatCapacityIn(vesselOf(one, neat('ethanol', 3)).phases))}`,
    ),
  'kinds of impurity': () => alike(records, impurityKind),
  'drying agents': () =>
    alike(records, ({ groups = [] }) =>
      figureText(
        agentsFor(groups, 'sodium sulfate').map(({ agent, against }) => `${agent.name}${against ? ` not ${against}` : ''}`),
      ),
    ),
  'what speaks against a drying agent': () =>
    [...dryingAgents.map(({ formula }) => formula), 'KOH', 'NaCl', undefined].flatMap((formula) =>
      alike(records, ({ groups = [] }) => `${formula} ${speaksAgainst(formula, groups)?.group}`),
    ),
  'how much drying agent': () =>
    dryingAgents.flatMap((agent) =>
      Object.entries(waterInSolvent).map(
        ([id, gWaterPer100G]) =>
          `${agent.name} ${id} ${figureText(dryingDose({ volumeML: 40, gPerML: byId(id).density!.gPerML, gWaterPer100G, dropletsML: 0.3 }, agent))}`,
      ),
    ),
  'first partition coefficients': () =>
    ['toluene', 'diethyl-ether'].flatMap((organic) =>
      records.flatMap((each) => {
        const found = partitionOf(thingOf(each, true), thingOf(byId(organic), false))
        return found ? [`${each.id} in ${organic} ${figureText(found)}`] : []
      }),
    ),
  'what acts on a product': () => alike(records, (each) => String(actsAs(each))),
  'harms of washes': () =>
    [...washSolutions, 'nothing of these'].flatMap((solution) =>
      alike(records, ({ groups = [] }) => `${solution}: ${harmOf(solution, groups)}`),
    ),
  'harms of acids and bases': () =>
    [...new Set(records.map((each) => actsAs(each)))].flatMap((acts) =>
      acts ? alike(records, ({ groups = [] }) => `${acts}: ${harmBy(acts, groups)}`) : [],
    ),
  'washes against one impurity': () =>
    (['mineral acid', 'carboxylic acid', 'phenol', 'amine', 'aldehyde', 'halogen', 'water-soluble', 'neutral'] as const).flatMap(
      (kind) =>
        [0.01, 3, 60].flatMap((mmol) =>
          [undefined, 0.02, 4].flatMap((K) =>
            ([[], ['ester'], ['amine'], ['carboxylic acid']] as const).map((groups) => {
              const all: Impurity[] = [{ substance: 'it', name: 'it', kind, mmol, ...(K === undefined ? {} : { K }) }]
              return `${kind} ${mmol} ${K} ${groups.join('')} ${figureText(washPlan(all, 30, [...groups], 760))}`
            }),
          ),
        ),
    ),
  'washes one by one': () =>
    [...washSolutions].flatMap((name) =>
      [5, 40].map((portionML) => {
        const all: Impurity[] = [
          { substance: 'acid', name: 'acid', kind: 'mineral acid', mmol: 4, K: 0.001 },
          { substance: 'weak', name: 'weak', kind: 'carboxylic acid', mmol: 9, K: 2 },
          { substance: 'base', name: 'base', kind: 'amine', mmol: 3, K: 7 },
          { substance: 'salt', name: 'salt', kind: 'water-soluble', mmol: 2 },
        ]
        const left = afterWater(all, 30, portionML, 2)
        return `${name} ${portionML} ${figureText(measured({ solution: name, portionML, times: 2 }, all, [], 700))} ${figureText(left)} ${figureText(dissolvedFrom(all, left))}`
      }),
    ),
  neutralisers: () =>
    neutralisers.flatMap((by) =>
      [0, 1, 25].flatMap((mmol) =>
        [1, 50].map((mL) => `${figureText(by)} ${mmol} ${mL} ${figureText(neutralisation(mmol, by, mL, 720))}`),
      ),
    ),
  papers: () =>
    [0.1, 0.5, 1, 1.5, 2, 2.4, 2.5, 4, 7, 7.2, 10, 10.1, 20, 30, 45, 45.1, 60, 90, 150, 150.1, 300, 360, 660, 661, 5000].map(
      (value) =>
        `${value} ${suctionPaper(value)} ${flutedPaper(value)} ${filteringFor('solution', false, value).way} ${filteringFor('solution', true, value).way} ${filteringFor('solid', true, value).way}`,
    ),
  vessels: () =>
    (Object.keys(vesselSizes) as Vessel['kind'][]).flatMap((kind) => [
      `${kind} ${vesselSizes[kind].join(' ')}`,
      ...[0.5, 1, 3, 8, 15, 33, 60, 120, 250, 600, 1500, 4000].map((mL) => `${kind} ${mL} ${fittingSize(kind, mL)}`),
    ]),
  'expected of tests': () =>
    testMethods.flatMap((method) => alike(records, (each) => `${method.name} ${figureText(expectedOf(method, each))}`)),
  'parts from water': () => alike(records, (each) => figureText(withWater(each))),
  'what counts as watery': () =>
    (['neat', 'solid', 'solution', 'mass-fraction'] as const).flatMap((kind) =>
      alike(records, (substance) => `${kind} ${isWatery({ line: { form: { kind } } as unknown as Line, substance })}`),
    ),
  'solvents to recrystallise from': () =>
    records
      .filter(({ melting, solubility }) => melting && solubility)
      .flatMap((solute) => [
        ...compareSolvents(solute, crystallisationSolvents, 2, 5, 760).map(
          ({ solvent, hotC, tried, against }) =>
            `${solute.id} ${solvent} ${figureText(hotC)} ${figureText(tried ? { ...tried } : null)} ${against.length}`,
        ),
        ...solventPairs(solute, crystallisationSolvents, 2, 5, 760).map((pair) => `${solute.id} pair ${figureText(pair)}`),
      ]),
}

test.each(Object.entries(sections))('%s', (name, says) => kept.holds(name, says()))
