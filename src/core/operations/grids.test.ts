/** The formulas of the operations over grids of figures, ends and thresholds among them, held to what they came to on the day the file beside this was written; worked examples stand in each folder. */
import path from 'node:path'
import { figureText } from '@/test-support/figureText'
import { Kept } from '@/test-support/kept'
import { additionRate, dropsML, pauseRule } from './add/additionRate'
import { adiabaticRise } from './add/adiabaticRise'
import { initiationLadder, initiationMin } from './add/initiation'
import {
  boilDownTo,
  coolingPlan,
  cropFrom,
  cropWithAntisolvent,
  hotVolume,
  impurityThatStays,
  mayOilOut,
  secondCrop,
  solubilityInMixture,
} from './crystallise/crop'
import { compareSolvents } from './crystallise/compareSolvents'
import { leftInMotherLiquor, saturatedAtC, solubilityAt } from '../matter/solubility'
import { evaporating } from './evaporate/pressureFor'
import { whichOnTop } from './extract/layers'
import { distributionAt } from '../matter/pH'
import { madeThing } from '../matter/thing'
import { fractionLeft, fractionLimit, portionFor, portionsFor } from '../matter/partition'
import { saltingFactor, saturatedSodiumChloride, usualSetschenow } from '../matter/saltingOut'
import { rinseLoss, rinseML } from './filter/papers'
import { calibrationOf, correctedC } from './melt/calibration'
import { mixedMelting, purificationGain } from './melt/compareRanges'
import { impurityFromDepression } from './melt/impurity'
import { meltingReading } from './melt/meltingReading'
import { lagAt, rampFor } from './melt/ramp'
import { fact, inPowers, when } from './planner'
import { deprotonated, targetPH } from './quench/neutralise'
import { heatingFor } from './reflux/heating'
import { ofStandard, ofTitrant, ofTitrated, titreKnown, volumeKnown } from './titrate/strengthFound'
import { concordant, mean } from '../measurements/concordant'
import { timeInBand } from './vessel/timeInBand'

const kept = new Kept(path.join(__dirname, 'grids.txt'))
afterAll(() => kept.write())

/** A function over every combination of what its places may hold. */
function over<A extends unknown[]>(
  name: string,
  of: (...args: A) => unknown,
  ...places: { [I in keyof A]: readonly A[I][] }
): string[] {
  const all = (places as readonly (readonly unknown[])[]).reduce<unknown[][]>(
    (rows, place) => rows.flatMap((row) => place.map((each) => [...row, each])),
    [[]],
  )
  return all.map((args) => `${name} ${args.map((each) => figureText(each)).join(', ')}: ${figureText(of(...(args as A)), 6)}`)
}

const sections: Record<string, () => string[]> = {
  adding: () => [
    ...over('rate', additionRate, [2, 30], [5, 40], [dropsML.watery, dropsML.organic]),
    ...over('pause', pauseRule, [-5, 5, 40]),
    ...over(
      'rise',
      (mmol: number, kJ: number, g: number) =>
        adiabaticRise(mmol, kJ, [
          { g, cp: 2 },
          { g: 3, cp: 4.18 },
        ]),
      [10, 100],
      [25, 250],
      [5, 60],
    ),
    figureText([initiationLadder.map(({ waitMin }) => waitMin), initiationMin]),
  ],
  crystallising: () => [
    ...over('hot', hotVolume, [0.5, 4], [3, 60], [true, false]),
    ...over('crop', cropFrom, [0, 0.5, 4], [0, 20, 400], [0, 0.3, 4]),
    ...over('boil down', boilDownTo, [0.5, 4], [0.5, 0.95], [0.3, 4]),
    ...over('mixture', solubilityInMixture, [20, 0.5], [0.2, 9], [0, 0.3, 1]),
    ...over(
      'antisolvent',
      (addML: number, anti: number) =>
        cropWithAntisolvent({ soluteG: 3, volumeML: 20, coldGPer100ML: 6, addML, antiGPer100ML: anti }),
      [0, 10, 60],
      [0.05, 2],
    ),
    ...over('second crop', secondCrop, [0.1, 2], [0, 10, 100], [0.5, 5]),
    ...over('impurity', impurityThatStays, [10, 90], [0.5, 7]),
    ...over('oil', mayOilOut, [79, 80, 80.1], [80]),
    ...over('cooling', coolingPlan, [1, 50, 100, 101, 150, 400, 2700]),
    ...over('liquor', leftInMotherLiquor, [5, 200], [0.5, 6], [1, 9]),
  ],
  'solvents by their boil': () => {
    const at = (lowC: number) => ({ id: `at-${lowC}`, name: `at ${lowC}`, boiling: { lowC, highC: lowC, source: '' } })
    const points = [
      { atC: 10, gPer100ML: 1 },
      { atC: 90, gPer100ML: 12 },
    ]
    const solvents = [49.9, 50, 50.5, 80, 120, 120.5, 121.5].map(at)
    const solute = (meltsC: number) => ({
      melting: { lowC: meltsC, highC: meltsC, source: '' },
      solubility: [{ solvent: 'at-80', points, source: '' }],
    })
    return [80, 88, 90, 200].flatMap((meltsC) =>
      compareSolvents(solute(meltsC) as never, solvents as never, 2, 5, 760).map(
        ({ solvent, hotC, tried, against }) => `${meltsC} ${solvent} ${figureText([hotC, { ...tried }, against])}`,
      ),
    )
  },
  solubilities: () => {
    const points = [
      { atC: 100, gPer100ML: 6.8 },
      { atC: 20, gPer100ML: 0.54 },
      { atC: 50, gPer100ML: 1.9 },
    ]
    return [
      ...over('at', (atC: number) => solubilityAt(points, atC), [-10, 0, 19.9, 20, 35, 50, 50.1, 99, 100, 130]),
      ...over('one', (atC: number) => solubilityAt(points.slice(0, 1), atC), [0, 100]),
      ...over('saturated', (g: number) => saturatedAtC(points, g), [1e-4, 0.1, 0.54, 1, 6.8, 20, 60, 400]),
      figureText([
        saturatedAtC(points.slice(0, 1), 3),
        saturatedAtC([...points].reverse(), solubilityAt(points, -40)),
        saturatedAtC(points, solubilityAt(points, 200)),
      ]),
    ]
  },
  evaporating: () =>
    over(
      'pressure',
      (bathC: number, room: number) =>
        evaporating({ antoine: { a: 6.95464, b: 1344.8, c: 219.48, fromC: 0, toC: 150, source: '' } }, bathC, room),
      [40, 60, 130, 131],
      [760, 620],
    ),
  'nothing to evaporate': () => [figureText(evaporating({}, 60, 760))],
  shaking: () => [
    ...over('top', whichOnTop, [0.71, 0.948, 0.9481, 1, 1.048, 1.3], [0.998, 1]),
    ...over(
      'ratio',
      (acidPKa: number | undefined, basePKa: number | undefined, pH: number) =>
        distributionAt(
          madeThing('it', 'it', 'C6H7NO2', {
            acid: acidPKa === undefined ? [] : [acidPKa],
            ...(basePKa === undefined ? {} : { base: basePKa }),
          }),
          12,
          pH,
        ),
      [undefined, 4.2],
      [undefined, 4.6, 9.5],
      [1, 4.2, 7, 12],
    ),
    ...over(
      'left',
      (D: number, portionML: number, portions: number) => fractionLeft({ D, waterML: 40, portionML, portions }),
      [0.2, 9],
      [10, 40],
      [1, 3],
    ),
    ...over('limit', fractionLimit, [0.2, 9], [10, 40], [30, 90]),
    ...over(
      'portions',
      (wanted: number, D: number, portionML: number) => portionsFor(wanted, { D, waterML: 40, portionML }),
      [0.5, 0.9, 0.999],
      [0, 0.05, 1, 9],
      [10, 40],
    ),
    // Exactly so many portions: 1 - (1/2)^n, and the last count that is still said.
    ...over('just', (n: number) => portionsFor(1 - 0.5 ** n, { D: 1, waterML: 40, portionML: 40 }), [1, 2, 5, 49, 50, 51]),
    ...over(
      'portion',
      (wanted: number, D: number, portions: number) => portionFor(wanted, { D, waterML: 40, portions }),
      [0.5, 0.99],
      [0.5, 9],
      [1, 3],
    ),
    ...over('salting', saltingFactor, [0, usualSetschenow], [0, 1, saturatedSodiumChloride.molPerL]),
    figureText(saturatedSodiumChloride),
  ],
  filtering: () => [...over('rinse', rinseLoss, [2, 50], [0.5, 6], [0.02, 3]), ...over('rinse', rinseML, [0.2, 1.4, 1.5, 22])],
  melting: () => {
    const line = (...pairs: [number, number][]) => calibrationOf(pairs.map(([trueC, readC]) => ({ name: 's', trueC, readC })))
    const lines = [line([80, 81]), line([80, 81], [120, 123]), line([50, 50.5], [80, 81], [120, 123], [150, 152])]
    const ranges = [
      [112, 114],
      [112, 114.1],
      [113, 114],
      [109.9, 111],
      [110, 113],
      [115, 116.1],
      [105, 113],
      [118, 119],
    ].map(([onsetC, clearC]) => ({ onsetC: onsetC!, clearC: clearC! }))
    return [
      ...lines.map((each) => figureText(each)),
      figureText(line()),
      ...lines.flatMap((each) =>
        over('right', (readC: number) => correctedC(each!, readC), [50, 80.9, 81, 81.1, 123, 123.1, 152, 153]),
      ),
      ...over('gain', purificationGain, ranges.slice(0, 4), ranges.slice(4)),
      ...over('mixed', mixedMelting, ranges, ranges),
      ...over('reading', (range: { onsetC: number; clearC: number }) => meltingReading(range, { lowC: 113, highC: 114 }), ranges),
      ...over('impurity', impurityFromDepression, [114, 180], [110, 114, 120], [15, 22]),
      ...over('ramp', rampFor, [45, 113], [114, 116]),
      ...over('lag', lagAt, [1, 2, 10]),
    ]
  },
  'pH and heat': () => [
    ...over('aim', targetPH, [4.2, 9.5], ['deprotonate', 'protonate'] as const),
    ...over('deprotonated', deprotonated, [4.2, 9.5], [2.2, 4.2, 9]),
    ...over(
      'heating',
      (boilC: number, flammable: boolean) => figureText(heatingFor(boilC, flammable)),
      [30, 44.9, 45, 69, 70, 79, 80, 80.1, 139.9, 140, 180],
      [true, false],
    ),
  ],
  titrating: () => {
    const known = (value: number) => ({ value, u: value / 300 })
    return [
      ...over('agree', (titres: number[]) => concordant(titres), [
        [],
        [21.4],
        [21.4, 21.5],
        [21.4, 21.51],
        [22, 21.4, 21.45, 21.9, 21.95, 22.05],
        [20, 20.1, 21, 21.05],
      ]),
      ...over('mean', (titres: number[]) => mean(titres), [[21.4], [21.4, 21.5, 21.9]]),
      ...over('titre', (titres: number[]) => titreKnown(titres), [[21.4], [21.4, 21.5], [21.4, 21.45, 21.5]]),
      ...over('volume', volumeKnown, [25, 100], [0.03, 0.1]),
      ...over(
        'found',
        (perMol: number) => [
          ofTitrated(known(0.1), known(21), known(25), perMol),
          ofTitrant(known(0.05), known(21), known(25), perMol),
        ],
        [0.5, 1, 2],
      ),
      figureText(ofStandard(known(0.5), known(0.999), known(100), 204.22)),
    ]
  },
  'time in a band': () => {
    const at = (...pairs: [number, number][]) => pairs.map(([atMin, celsius]) => ({ atMin, celsius }))
    const readings = at([20, 80], [0, 20], [10, 80], [30, 95], [35, 60])
    return [
      ...[
        [75, 85],
        [80, 90],
        [60, 80],
        [96, 99],
        [20, 20],
      ].map(([lowC, highC]) => `${lowC} ${highC} ${figureText(timeInBand(readings, { lowC: lowC!, highC: highC! }))}`),
      figureText([
        timeInBand([], { lowC: 0, highC: 1 }),
        timeInBand(at([3, 5]), { lowC: 0, highC: 9 }),
        timeInBand(at([3, 5], [9, 5]), { lowC: 5, highC: 9 }),
        timeInBand(at([3, 9], [9, 9]), { lowC: 5, highC: 9 }),
        timeInBand(at([3, 9.1], [9, 9.1]), { lowC: 5, highC: 9 }),
      ]),
    ]
  },
  'figures as they are written': () => [
    ...over('powers', inPowers, [0, 1e-3, 9.99e-4, -4.3e-8, 99_999, 1e5, -1e5, 12.345, 6.02e23]),
    ...over('fact', (unit: string, decimals: number) => fact('a', 'b', 12.3456, unit, decimals), ['', '%', 'mL'], [0, 2]),
    figureText([
      when(true, 'a', 'doubt', 'b'),
      when(false, 'a', 'doubt', 'b'),
      when(undefined, 'a', 'good', 'b'),
      when(true, 'a', 'good', 'b', 'c'),
    ]),
  ],
}

test.each(Object.entries(sections))('%s', (name, says) => kept.holds(name, says()))
