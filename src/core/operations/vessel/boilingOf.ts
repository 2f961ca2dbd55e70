import { sameStructure } from '../../substance/structure'
import { ionsIn } from '../../substance/shapes'
import { molarMass } from '../../substance/molarMass'
import { boilsAt } from '../../substance/boilsAt'
import { classesOf } from '../../reaction/reactiveClasses'
import { activityCoefficients, type ActivityModel } from '../../matter/activity'
import { vapourPressure } from '../../matter/equilibrium'
import { azeotropeOf, wilsonOf, type Azeotrope } from '../../matter/azeotropes'
import type { Content } from './content'
import { isWater, nothing, parts, waterMass, type Part } from './parts'
import { acidBoilsAtC, acidTableK, acidTableSource, boilsByTable } from '../../matter/strongAcids'
import { isWatery } from './watery'

/** Where what is in a vessel boils. */
export interface Boiling {
  atC: number
  plusMinusK: number
  /** True where it can only boil higher than that: acid and amine hold each other back. */
  orHigher?: true
  /** What it rests on, as a clause. */
  by: string
  /** The substance that there is most of in the vapour. */
  main: string
  /** Pairs in it whose mixture boils without changing. */
  azeotropes: { names: [string, string]; azeotrope: Azeotrope }[]
}

/** A pair may be taken as ideal where both are of a kind: hydrocarbons and their halides and ethers among themselves, alcohols among themselves, and so on. */
function alike(one: Part, other: Part): boolean {
  const kind = ({ substance }: Part) => {
    if (!substance) return 'water'
    const groups = substance.groups ?? []
    if (groups.some((group) => group === 'alcohol' || group === 'phenol' || group === 'carboxylic acid'))
      return 'gives hydrogen bonds'
    if (groups.some((group) => group === 'ketone' || group === 'ester' || group === 'aldehyde')) return 'takes them'
    return 'neither'
  }
  return kind(one) === kind(other)
}

/** What an estimate is worth, K: of like liquids, of a pair with constants, of unlike ones taken as ideal. */
const worthK = { alike: 2, fitted: 2, unlike: 8 } as const

/** A layer: what in it boils with its mole fractions among itself, how non-ideal it is, and the share of the moles that is not dissolved solute. */
interface Layer {
  inside: readonly Part[]
  x: number[]
  model: ActivityModel
  free: number
  worth: number
}

function layerOf(all: readonly Part[]): Layer {
  const inside = all.filter(({ a }) => a !== nothing.a)
  const moles = (of: readonly Part[]) => of.reduce((sum, { mmol }) => sum + mmol, 0)
  const x = inside.map(({ mmol }) => mmol / moles(inside))
  const water = inside.findIndex(isWater)
  const mixed = water >= 0 && x[water]! > 0.1 && x[water]! < 0.9
  // A salt in a mixed solvent drives the organic part out about as much as it holds the water back: neither is counted.
  const solutes = all.filter(({ a, substance }) => a === nothing.a && !(mixed && substance && ionsIn(substance.smiles) > 1))
  const free = moles(inside) / (moles(inside) + moles(solutes))
  let worth = inside.length > 1 && moles(inside) < 0.99 * moles(all) ? 3 : 0.5
  const lambda = inside.map((one, i) =>
    inside.map((other, j) => {
      if (i === j) return 1
      const counts = x[i]! * x[j]! > 0.002
      const found = wilsonOf(one, other)
      if (counts) worth = Math.max(worth, found ? worthK.fitted : alike(one, other) ? worthK.alike : worthK.unlike)
      return found?.[0] ?? 1
    }),
  )
  return { inside, x, model: { kind: 'Wilson', lambda }, free, worth }
}

/** The pressure of each part of layers over each other at a temperature, mmHg. */
function pressures(layers: readonly Layer[], atC: number) {
  return layers.flatMap(({ inside, x, model, free }) => {
    const gamma = activityCoefficients(model, x)
    return inside.map((part, i) => ({ part, mmHg: free * gamma[i]! * x[i]! * vapourPressure(part, atC) }))
  })
}

/**
 * Where what is in a vessel boils at a pressure: a strong acid in water by its table; one layer at its bubble point, Σ γi·xi·pi = P; two layers together, where the pressures of both add up; what is dissolved raises it by the share of
 * the moles it takes, and never sets it. A single solid that melts before it boils boils by itself. Why not, where something in it has no vapour pressure on record.
 */
export function boilingOf(contents: readonly Content[], mmHg: number): Boiling | { why: string } {
  if (contents.length === 0) return { why: 'no liquid is known to be in it' }
  const acid = strongAcidIn(contents, mmHg)
  if (acid) return acid
  const { parts: inside, unknown } = parts(contents)
  if (unknown.length > 0)
    return { why: `what ${unknown.join(' and ')} ${unknown.length === 1 ? 'boils' : 'boil'} at is not on record` }
  const volatile = inside.filter(({ a }) => a !== nothing.a)
  if (volatile.length === 0) return meltIn(contents, mmHg) ?? { why: 'no liquid is known to be in it' }
  const amine = contents.some(({ substance, line }) => line.form.kind === 'neat' && classesOf(substance, line).has('amine'))
  const acidic = contents.some(({ substance, line }) => line.form.kind === 'neat' && classesOf(substance, line).has('acid'))
  const organic = volatile.filter(({ inWater }) => !inWater)
  const mixing = volatile.filter((part) => part.inWater && !isWater(part))
  const waterML = inside.filter(isWater).reduce((sum, { mmol }) => sum + (mmol * waterMass) / 1000, 0)
  const mixingML = mixing.reduce((sum, { mmol, gPerMol, gPerML }) => sum + (mmol * gPerMol) / 1000 / gPerML, 0)
  const parted = waterML > 0 && organic.length > 0 && mixingML < waterML / 2
  const groups = parted ? [inside.filter(({ inWater }) => inWater), inside.filter(({ inWater }) => !inWater)] : [inside]
  const layers = groups.filter((group) => group.some(({ a }) => a !== nothing.a)).map(layerOf)
  let [low, high] = [-120, 500]
  for (let turn = 0; turn < 60; turn++) {
    const middle = (low + high) / 2
    if (pressures(layers, middle).reduce((sum, each) => sum + each.mmHg, 0) < mmHg) low = middle
    else high = middle
  }
  const vapour = pressures(layers, low).sort((a, b) => b.mmHg - a.mmHg)
  const names = volatile.map(({ name }) => name)
  const single = volatile.length === 1 ? volatile[0]!.substance : null
  const alone = single && boilsAt(single, mmHg)
  const estimated = volatile.some(({ substance }) => substance && (boilsAt(substance, mmHg)?.plusMinusK ?? 0) > 2)
  // A salt of the two forms, which boils higher: the figure is where the lighter of them would begin.
  const binds = amine && acidic && volatile.length > 1
  const lightest = Math.min(...volatile.map(({ a, b, c }) => b / (a - Math.log10(mmHg)) - c))
  return {
    atC: binds ? lightest : low,
    ...(binds ? { orHigher: true as const } : {}),
    plusMinusK: Math.max(
      binds ? Math.max(10, low - lightest) : 0,
      alone?.plusMinusK ?? 0,
      estimated ? 3 : 0,
      ...layers.map(({ worth }) => worth),
    ),
    by:
      volatile.length === 1
        ? `${alone?.by ?? 'Antoine constants'}${inside.length > 1 ? `, raised by what is dissolved` : ''}`
        : parted
          ? `vapour pressures of both layers together, ${names.join(' and ')}`
          : binds
            ? `the lightest of ${names.join(', ')}: acid and amine hold each other back`
            : `bubble point of ${names.join(', ')}`,
    main: vapour[0]!.part.name,
    azeotropes: volatile.flatMap((one, i) =>
      volatile.slice(i + 1).flatMap((other) => {
        const azeotrope = azeotropeOf(one.smiles, other.smiles)
        return azeotrope
          ? [
              {
                names: (sameStructure(azeotrope.one, one.smiles) ? [one.name, other.name] : [other.name, one.name]) as [
                  string,
                  string,
                ],
                azeotrope,
              },
            ]
          : []
      }),
    ),
  }
}

/** Water boils 0.044 K higher for each mmHg near 760: so does a strong acid, near enough. */
const acidPerMMHg = 0.045

/** A strong acid with water, where it is most of what is liquid. */
function strongAcidIn(contents: readonly Content[], mmHg: number): Boiling | null {
  const liquid = contents.filter(({ line }) => line.form.kind !== 'solid')
  const acids = liquid.filter(({ substance }) => boilsByTable(substance.formula))
  const [first] = acids
  if (!first || new Set(acids.map(({ substance }) => substance.formula)).size > 1) return null
  const grams = (of: readonly Content[]) => of.reduce((sum, { massG, volumeML }) => sum + (massG ?? volumeML ?? 0), 0)
  const watery = liquid.filter(isWatery)
  const pure = acids.reduce((sum, { mmol, substance }) => sum + ((mmol ?? 0) * molarMass(substance.formula!)) / 1000, 0)
  const all = grams([...new Set([...acids, ...watery])])
  if (all < 0.9 * grams(liquid) || pure === 0) return null
  const atC = acidBoilsAtC(first.substance.formula, pure / all)
  if (atC === null) return null
  return {
    atC: atC - acidPerMMHg * (760 - mmHg),
    plusMinusK: acidTableK,
    by: `the table of ${first.substance.name} at ${Math.round((100 * pure) / all)} % by mass (${acidTableSource})`,
    main: first.substance.name,
    azeotropes: [],
  }
}

/** A single solid boils as its own melt. */
function meltIn(contents: readonly Content[], mmHg: number): Boiling | null {
  const [only] = contents
  if (contents.length !== 1 || !only || ionsIn(only.substance.smiles) > 1 || only.line.form.kind !== 'solid') return null
  const found = boilsAt(only.substance, mmHg)
  return found && { ...found, by: `its melt, by its ${found.by}`, main: only.substance.name, azeotropes: [] }
}
