import { gasHeldMolPerL, hydroxide, proton } from './minerals'
import { dissolvedIn, pHOf, withGasGone, type Dissolved } from './pH'
import { volumeOf } from './phase'
import { saltDissolvesG } from './salts'
import { together, type Holding } from './state'
import { water, type Thing } from './thing'
import type { World } from './world'
import type { InWater } from './ions'

/** A holding with another thing and amount, of the same origin. */
const as = (holding: Holding, thing: Thing, amount: number | null): Holding => ({ ...holding, thing, amount })

/** Protons and hydroxide become water as far as both are there; fewer than none of one are as many of the other, which water gave. */
export function neutral(holds: readonly Holding[]): readonly Holding[] {
  const found = (wanted: Thing) => holds.find(({ thing, certain }) => thing === wanted && certain)
  const [one, other] = [found(proton), found(hydroxide)]
  const like = one ?? other
  if (!like || one?.amount === null || other?.amount === null) return holds
  const mmol = Math.min(one?.amount ?? 0, other?.amount ?? 0)
  if (mmol === 0) return holds
  return together(holds, [as(like, proton, -mmol), as(like, hydroxide, -mmol), as(like, water, mmol)])
}

/** What falls apart into ions in water, as those ions; what takes water up for that only as far as there is some. */
export function ionised(holds: readonly Holding[], inWater: (thing: Thing) => InWater | null): Holding[] {
  let waterMmol = holds.reduce((sum, each) => sum + (each.thing === water && each.certain ? (each.amount ?? Infinity) : 0), 0)
  return together(
    holds.flatMap((holding) => {
      // What only may be there stays whole: its ions would take water that is surely there.
      const apart = holding.certain ? inWater(holding.thing) : null
      if (!apart) return [holding]
      const change = (holding.amount ?? 0) * apart.water
      if (waterMmol + change < 0) return [holding]
      waterMmol += change
      const of = (thing: Thing, moles: number) => as(holding, thing, holding.amount === null ? null : holding.amount * moles)
      return [...apart.parts.map(([thing, moles]) => of(thing, moles)), ...(apart.water === 0 ? [] : [of(water, apart.water)])]
    }),
  )
}

/** The least of a function that falls with what is taken off, 0 to all: halving. */
function taken(all: number, tooMuch: (left: number) => boolean): number {
  if (all <= 0 || !tooMuch(all)) return 0
  let [low, high] = [0, all]
  for (let turn = 0; turn < 30; turn++) {
    const middle = (low + high) / 2
    if (tooMuch(middle)) high = middle
    else low = middle
  }
  return all - low
}

const without = (dissolved: readonly Dissolved[], thing: Thing, mmol: number): Dissolved[] =>
  dissolved.map((each) => (each.thing === thing ? { ...each, mmol: each.mmol - mmol } : each))

/**
 * What of a watery phase leaves as a gas: of carbon dioxide and its like what is uncharged beyond what open water holds under the laboratory's pressure (Henry), so that the pH rises with what has left.
 */
export function gasLeaves(
  holds: readonly Holding[],
  world: World,
  vessel: string,
): { holds: readonly Holding[]; gas: Holding[] } {
  const dissolved = dissolvedIn(holds)
  const gas: Holding[] = []
  let left = holds
  for (const [thing, molPerL] of gasHeldMolPerL) {
    const found = holds.find((each) => each.thing === thing && each.certain)
    if (!found) continue
    if (!dissolved || found.amount === null) {
      world.note({
        kind: 'cannot be told',
        what: `how much ${thing.name} comes off`,
        mends: 'the strengths of acid and base',
        vessel,
      })
      continue
    }
    const { mL } = volumeOf({ kind: 'watery', holds: left })
    const mmol = found.amount - withGasGone(dissolvedIn(left)!, thing, molPerL * (world.mmHg / 760) * mL, mL).left
    if (mmol <= 1e-9) continue
    gas.push(as(found, thing, mmol))
    left = together(left, [as(found, thing, -mmol)])
    world.note({ kind: 'gas', thing, mmol, vessel })
  }
  return { holds: left, gas }
}

/**
 * Salts that come out of a watery phase: each as far as its ions are there together beyond what the water holds of it at that temperature. An anion that is also an acid counts only by the share that has lost its protons there.
 */
export function saltsComeOut(
  holds: readonly Holding[],
  atC: number,
  world: World,
  vessel: string,
  quiet: ReadonlySet<string>,
): { holds: readonly Holding[]; solids: Holding[] } {
  let left = holds
  const solids: Holding[] = []
  let all = dissolvedIn(left)
  if (!all) return { holds: left, solids }
  const there = new Set(all.map(({ thing }) => thing))
  const salts = world.things.salts
    .filter(({ ions }) => ions.every(([part]) => there.has(part)))
    .map((salt) => ({ ...salt, limitG: saltDissolvesG(salt.thing, atC) }))
    .filter(({ limitG }) => limitG !== null)
    .sort((a, b) => a.limitG! / a.thing.gPer - b.limitG! / b.thing.gPer)
  let pHNow: number | undefined
  for (const { thing, inWater, ions, limitG } of salts) {
    if (!all || !ions.every(([part]) => all!.some((each) => each.thing === part && each.mmol > 0))) continue
    const known: readonly Dissolved[] = all
    const { mL } = volumeOf({ kind: 'watery', holds: left })
    // Tables count by what the water is, not by what it has swollen to.
    const waterThere = left.find((each) => each.thing === water && each.certain)?.amount ?? 0
    const held = (limitG! * waterThere * water.gPer) / 100 / thing.gPer
    const lost = inWater.parts.find(([part]) => part === hydroxide)?.[1] ?? 0
    // A hydrate takes its water with it.
    const waterMmol = inWater.water > 0 ? waterThere : 0
    const most = Math.min(
      ...ions.map(([part, moles]) => known.find((each) => each.thing === part)!.mmol / moles),
      ...(inWater.water > 0 ? [waterMmol / inWater.water] : []),
    )
    if (most <= held) continue
    pHNow ??= pHOf(known, { waterML: mL, organicML: 0 })
    if (standTogether(known, ions, lost, mL, pHNow) <= held) continue
    pHNow = undefined
    const mmol = taken(most, (stays) => {
      const out = most - stays
      const there = inWater.parts.reduce<readonly Dissolved[]>((now, [part, moles]) => without(now, part, out * moles), known)
      return standTogether(there, ions, lost, mL) > held
    })
    if (mmol <= 1e-9) continue
    const of = left.find((each) => each.thing === ions[0]![0] && each.certain)!
    solids.push(as(of, thing, mmol))
    left = neutral(
      together(left, [
        ...inWater.parts.map(([part, moles]) => as(of, part, -mmol * moles)),
        ...(inWater.water === 0 ? [] : [as(of, water, -mmol * inWater.water)]),
      ]),
    )
    all = dissolvedIn(left)
    if (!quiet.has(thing.id)) world.note({ kind: 'solid', thing, mmol, vessel })
  }
  return { holds: left, solids }
}

/** mmol of a salt that stand together in water as its ions, at the pH there. */
function standTogether(
  dissolved: readonly Dissolved[],
  ions: InWater['parts'],
  lost: number,
  mL: number,
  known?: number,
): number {
  const pH =
    known ??
    (lost > 0 || ions.some(([part]) => part.acid.length > 0 || part.base !== null)
      ? pHOf(dissolved, { waterML: mL, organicML: 0 })
      : 7)
  return Math.min(
    ...ions.map(([part, moles]) => {
      const there = dissolved.find((each) => each.thing === part)!.mmol / moles
      if (part.base !== null) return there / (1 + 10 ** (pH - part.base))
      return part.acid.length === 0 ? there : there * formShare(part, lost / moles, pH)
    }),
    // A hydroxide alone: what the pH leaves of it.
    ...(lost > 0 && ions.every(([part]) => part.acid.length === 0) ? [(10 ** (pH - 14) * mL) / lost] : []),
  )
}

/** The share of an acid that has lost so many protons at a pH. */
function formShare({ acid }: Thing, lost: number, pH: number): number {
  const forms = [0, ...acid].reduce<number[]>((all, pKa, at) => (at === 0 ? [0] : [...all, all.at(-1)! + pH - pKa]), [])
  const most = Math.max(...forms)
  const weights = forms.map((exponent) => 10 ** (exponent - most))
  const sum = weights.reduce((a, b) => a + b, 0)
  return (weights[Math.min(lost, acid.length)] ?? 0) / sum
}
