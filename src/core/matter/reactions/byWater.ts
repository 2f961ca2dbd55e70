import { classesOf } from '../../reaction/reactiveClasses'
import { cationOf, proton, strongAnions, weak } from '../minerals'
import type { Span } from '../span'
import { holdingsIn, vesselAt, withVessel, type Bench } from '../state'
import { noAtoms, plusAtoms, thingOfAtoms, water, type Thing } from '../thing'
import type { World } from '../world'
import { changed, mostOf, type Change } from './happens'

/** What water or a wash does to a substance besides taking protons from it or giving it some. */
interface Turns {
  name: string
  change: Change
  part: Span
}

const neat = { form: { kind: 'neat', purity: 1 } } as const
const half = (atoms: Readonly<Record<string, number>>) =>
  Object.fromEntries(Object.entries(atoms).map(([symbol, count]) => [symbol, count / 2]))
const whole: Span = { low: 1, likely: 1, high: 1 }
/** Hydrolysis without heat or base takes minutes to an hour: some of it may be left when the step ends. */
const mostly: Span = { low: 0.3, likely: 1, high: 1 }

const tetrathionate: Thing = thingOfAtoms('ion S4O6^2-', 'tetrathionate', { S: 4, O: 6 }, -2)
const [chloride, bromide, iodide] = [strongAnions[0]!, strongAnions[1]!, strongAnions[2]!]
const sulfate = strongAnions.find(({ id }) => id === 'ion SO4^2-')!
const thiosulfate = strongAnions.find(({ id }) => id === 'ion S2O3^2-')!
const halides: Readonly<Record<string, Thing>> = { Cl: chloride, Br: bromide, I: iodide }

/** Anhydrides: two of their acid; acid chlorides: their acid and the hydrogen halide. */
function hydrolysis(thing: Thing, acidOf: (atoms: Readonly<Record<string, number>>) => Thing | undefined): Turns | null {
  if (!thing.atoms || thing.charge !== 0) return null
  const classes = classesOf(thing.substance, neat)
  const made = (atoms: Readonly<Record<string, number>>) =>
    acidOf(atoms) ?? thingOfAtoms(`acid of ${thing.id}`, `acid of ${thing.name}`, atoms, 0, { acid: [4.5] })
  if (classes.has('acid anhydride')) {
    const sum = plusAtoms(thing.atoms, water.atoms!, 1)
    const acid = half(sum)
    // One of two acids, or a ring, gives one molecule with both.
    const even = Object.values(acid).every(Number.isInteger) && acidOf(acid) !== undefined
    return {
      name: 'hydrolysis of an anhydride',
      change: even
        ? [
            [thing, -1],
            [water, -1],
            [acidOf(acid)!, 2],
          ]
        : [
            [thing, -1],
            [water, -1],
            [made(sum), 1],
          ],
      part: mostly,
    }
  }
  const halogen = ['Cl', 'Br'].find((symbol) => thing.atoms![symbol])
  if (!classes.has('acyl halide') || halogen === undefined) return null
  const acid = plusAtoms(plusAtoms(thing.atoms, water.atoms!, 1), { [halogen]: 1, H: 1 }, -1)
  return {
    name: 'hydrolysis of an acid halide',
    change: [
      [thing, -1],
      [water, -1],
      [made(acid), 1],
      [proton, 1],
      [halides[halogen]!, 1],
    ],
    part: mostly,
  }
}

/** A halogen that zinc or magnesium, or a wash of sulfite or thiosulfate destroys (Furniss et al., Vogel's Textbook of Practical Organic Chemistry, ch. 2.22). */
function reduced(thing: Thing, holds: (thing: Thing) => boolean, present: ReadonlySet<Thing>): Turns | null {
  const [symbol] = Object.keys(thing.atoms ?? {})
  if (!thing.atoms || symbol === undefined || !(symbol in halides) || !noAtoms(plusAtoms(thing.atoms, { [symbol]: 2 }, -1)))
    return null
  const metal = [...present].find(({ substance }) => substance.formula === 'Mg' || substance.formula === 'Zn')
  if (metal)
    return {
      name: `reduction by ${metal.name}`,
      change: [
        [thing, -1],
        [metal, -1],
        [cationOf(metal.substance.formula!, 2), 1],
        [halides[symbol]!, 2],
      ],
      part: whole,
    }
  if (holds(weak.sulfurDioxide))
    return {
      name: 'reduction by sulfite',
      change: [
        [thing, -1],
        [weak.sulfurDioxide, -1],
        [water, -2],
        [halides[symbol]!, 2],
        [sulfate, 1],
        [proton, 4],
      ],
      part: whole,
    }
  return holds(thiosulfate)
    ? {
        name: 'reduction by thiosulfate',
        change: [
          [thing, -1],
          [thiosulfate, -2],
          [halides[symbol]!, 2],
          [tetrathionate, 1],
        ],
        part: whole,
      }
    : null
}

/** Peroxide that sulfite takes away, and an aldehyde that goes into the water as its salt. */
function withSulfite(thing: Thing, holds: (thing: Thing) => boolean): Turns | null {
  if (!thing.atoms || !holds(weak.sulfurDioxide)) return null
  const classes = classesOf(thing.substance, neat)
  if (classes.has('aldehyde')) {
    const adduct = plusAtoms(plusAtoms(thing.atoms, weak.sulfurDioxide.atoms!, 1), { O: 1, H: 1 }, 1)
    return {
      name: 'addition of hydrogen sulfite',
      change: [
        [thing, -1],
        [weak.sulfurDioxide, -1],
        [water, -1],
        [thingOfAtoms(`adduct ${thing.id}`, `bisulfite adduct of ${thing.name}`, adduct, -1), 1],
        [proton, 1],
      ],
      part: { low: 0.6, likely: 0.9, high: 1 },
    }
  }
  if (!noAtoms(plusAtoms(thing.atoms, { H: 2, O: 2 }, -1))) return null
  return {
    name: 'reduction by sulfite',
    change: [
      [thing, -1],
      [weak.sulfurDioxide, -1],
      [sulfate, 1],
      [proton, 2],
    ],
    part: whole,
  }
}

/** Lets water and what is dissolved in it do their work in the vessel that the work goes on in: hydrolysis, reduction, addition. */
export function reactsByWater(
  bench: Bench,
  world: World,
  acidOf: (atoms: Readonly<Record<string, number>>) => Thing | undefined,
): Bench {
  const vessel = vesselAt(bench)
  if (!vessel.phases.some(({ kind }) => kind === 'watery')) return bench
  let now = vessel
  const present = new Set(holdingsIn(now).map(({ thing }) => thing))
  const holds = (thing: Thing) => present.has(thing)
  for (const { thing, certain } of holdingsIn(vessel)) {
    if (!certain) continue
    const turns = hydrolysis(thing, acidOf) ?? reduced(thing, holds, present) ?? withSulfite(thing, holds)
    const most = turns && mostOf(now, turns.change)
    if (!turns || !most) continue
    const mmol = most * world.draw(`${turns.name} ${thing.id}`, turns.part)
    if (mmol <= 1e-9) continue
    world.note({ kind: 'reacts', reaction: turns.name, extentMmol: mmol, vessel: vessel.name })
    now = changed(now, turns.change, mmol, `reaction ${world.step}`)
  }
  return now === vessel ? bench : withVessel(bench, now)
}
