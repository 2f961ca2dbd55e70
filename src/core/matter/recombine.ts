import { hydroxide, proton } from './minerals'
import { madeFrom, saltOf } from './ions'
import { saltOfAcid, saltOfAmine } from './madeSalts'
import { together, type Holding } from './state'
import { plusAtoms, thingOfAtoms, water, type Thing } from './thing'
import type { Things } from './things'

/** A holding with another thing and amount, of the same origin. */
const as = (holding: Holding, thing: Thing, amount: number): Holding => ({ ...holding, thing, amount })

/**
 * Ions that lose their water become salts again: those of the plan first, as far as all their ions are there; then each cation with each anion; an acid with the hydroxide of a base; an amine with the acid it holds. What is left over for want of a known
 * amount stays as it is. Elements and charge stay what they were.
 */
export function recombined(holds: readonly Holding[], things: Things): Holding[] {
  if (!holds.some(({ thing }) => thing.charge !== 0)) return [...holds]
  let left = [...holds]
  const amount = (thing: Thing) => left.find((each) => each.thing === thing && each.certain)?.amount ?? 0
  const like = (thing: Thing) => left.find((each) => each.thing === thing && each.certain)!
  const take = (parts: readonly (readonly [Thing, number])[], mmol: number, gives: readonly (readonly [Thing, number])[]) => {
    const of = like(parts[0]![0])
    left = together(
      left,
      parts.map(([thing, moles]) => as(of, thing, -moles * mmol)),
      gives.map(([thing, moles]) => as(of, thing, moles * mmol)),
    )
  }
  const most = (parts: readonly (readonly [Thing, number])[]) => Math.min(...parts.map(([thing, moles]) => amount(thing) / moles))
  for (const { thing, inWater } of things.salts) {
    // A hydrate needs its water.
    const mmol = Math.min(most(inWater.parts), inWater.water > 0 ? amount(water) / inWater.water : Infinity)
    if (mmol > 1e-12) take([...inWater.parts, [water, inWater.water]], mmol, [[thing, 1]])
  }
  const cationsLeft = () =>
    left.filter(({ thing, amount: n, certain }) => thing.charge > 0 && thing !== proton && certain && (n ?? 0) > 1e-12)
  const anionsLeft = () =>
    left.filter(({ thing, amount: n, certain }) => thing.charge < 0 && thing !== hydroxide && certain && (n ?? 0) > 1e-12)
  for (const { thing: cation } of cationsLeft())
    for (const { thing: anion } of anionsLeft()) {
      const salt = saltOf(cation, anion)
      const common = gcd(-anion.charge, cation.charge)
      const parts = [
        [cation, -anion.charge / common],
        [anion, cation.charge / common],
      ] as const
      const mmol = most(parts)
      if (mmol > 1e-12) take(parts, mmol, [[salt, 1]])
    }
  // A cation whose hydroxide an acid took: the salt of that acid.
  for (const { thing: cation } of cationsLeft())
    for (const { thing: acid } of left.filter(({ thing, certain }) => certain && thing.charge === 0 && thing.acid.length > 0)) {
      const charge = cation.charge
      const parts = [
        [cation, 1],
        [hydroxide, charge],
        [acid, charge],
      ] as const
      const mmol = most(parts)
      if (mmol <= 1e-12) continue
      take(parts, mmol, [
        [saltOfAcid(cation, acid), 1],
        [water, charge],
      ])
    }
  for (const { thing: cation } of cationsLeft()) {
    const parts = [
      [cation, 1],
      [hydroxide, cation.charge],
    ] as const
    const mmol = most(parts)
    if (mmol > 1e-12) take(parts, mmol, [[saltOf(cation, hydroxide), 1]])
  }
  for (const { thing: anion } of anionsLeft()) {
    const charge = -anion.charge
    for (const { thing: amine } of left.filter(({ thing, certain }) => certain && thing.charge === 0 && thing.base !== null)) {
      const parts = [
        [amine, charge],
        [proton, charge],
        [anion, 1],
      ] as const
      const mmol = most(parts)
      if (mmol <= 1e-12) continue
      take(parts, mmol, [[saltOfAmine(amine, anion), 1]])
    }
    const parts = [
      [proton, charge],
      [anion, 1],
    ] as const
    const mmol = most(parts)
    if (mmol > 1e-12) take(parts, mmol, [[acidOf(anion), 1]])
  }
  return left
}

/** Acids by the anion that they leave in water. */
const acidNames: Readonly<Record<string, string>> = {
  chloride: 'hydrogen chloride',
  bromide: 'hydrogen bromide',
  iodide: 'hydrogen iodide',
  nitrate: 'nitric acid',
  sulfate: 'sulfuric acid',
  perchlorate: 'perchloric acid',
}

const acids = new Map<Thing, Thing>()

/** The strong acid of an anion, as it is without water. */
function acidOf(anion: Thing): Thing {
  const known = acids.get(anion)
  if (known) return known
  const atoms = plusAtoms(anion.atoms!, { H: 1 }, -anion.charge)
  const found = madeFrom(thingOfAtoms(`acid ${anion.id}`, acidNames[anion.name] ?? `acid of ${anion.name}`, atoms), [
    [anion, 1],
    [proton, -anion.charge],
  ])
  acids.set(anion, found)
  return found
}

const gcd = (a: number, b: number): number => (b === 0 ? a : gcd(b, a % b))
