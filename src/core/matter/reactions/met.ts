import { gases, type GasName } from '../../reaction/gases'
import { equivalentsOf } from '../../reaction/equivalents'
import { gasesOf } from '../../reaction/meetings'
import type { Meeting } from '../../reaction/meeting'
import { cationOf, cations, hydroxide, proton, strongAnions, weak } from '../minerals'
import type { Span } from '../span'
import { together, vesselAt, withVessel, type Bench, type Holding, type Vessel } from '../state'
import { madeThing, noAtoms, plusAtoms, thingOfAtoms, water, type Thing } from '../thing'
import type { World } from '../world'
import { classesIn } from './classesIn'
import { changed, mostOf, net, type Change } from './happens'
import { rows, type Row } from './row'

/** How much of it happens in the step in which two meet. */
const goes: Record<Row['speed'], Span> = {
  'at once': { low: 1, likely: 1, high: 1 },
  minutes: { low: 0.3, likely: 1, high: 1 },
  slow: { low: 0, likely: 0.3, high: 1 },
}

/** Gases as things; those that also stand in water are one with what stands there. */
const asThing = new Map<GasName, Thing>(
  (Object.keys(gases) as GasName[]).map((name) => {
    const { formula } = gases[name]
    const known = Object.values(weak).find(({ atoms }) => noAtoms(plusAtoms(atoms!, madeThing('', '', formula).atoms!, -1)))
    return [name, known ?? madeThing(`gas ${formula}`, name, formula)]
  }),
)

/** Classes whose gas comes of acid and base alone: the pH says how much of it leaves (watery.ts). */
const byPH = new Set(['carbonate', 'cyanide', 'azide', 'sulfide', 'sulfite', 'ammonium salt'])

/** The thing that the other side of a row gives for each equivalent: water, a proton with its anion, hydroxide, or the substance itself. */
function otherSide(row: Row, holding: Holding, needs: number): Change {
  const { thing } = holding
  if (thing !== proton) return [[thing, -needs]]
  if (row.other !== 'hydrochloric acid') return [[proton, -needs]]
  return [
    [proton, -needs],
    [strongAnions[0]!, -needs],
  ]
}

/** One mole of a row as a change of matter: what both give up as the gas, and all that is left of them, water where its atoms are wanting. Null where the row moves none. */
function changeOf(row: Row, one: Holding, other: Holding): { change: Change; gas: Change } | null {
  const { substance } = one.thing
  const found = row.gas || row.one === 'water-reactive' ? gasesOf(row as unknown as Meeting, substance) : []
  if (found.length === 0 || byPH.has(row.one) || !one.thing.atoms) return null
  const each = equivalentsOf(row.one, substance)
  const needs = Math.max(0, ...found.map((gas) => (gas.needs === 'each' ? each : gas.needs)))
  const perEquivalent = Math.max(
    1,
    other.thing === proton || other.thing === water ? 1 : equivalentsOf(row.other, other.thing.substance),
  )
  const gas: Change = found.map((of) => [asThing.get(of.of)!, of.perOne === 'each' ? each : of.perOne])
  const taken: (readonly [Thing, number])[] = [
    [one.thing, -1],
    ...otherSide(row, other, needs / (Number.isFinite(perEquivalent) ? perEquivalent : 1)),
  ]
  let left: Record<string, number> = {}
  let charge = 0
  for (const [thing, moles] of taken) {
    left = plusAtoms(left, thing.atoms!, -moles)
    charge -= thing.charge * moles
  }
  for (const [thing, moles] of gas) left = plusAtoms(left, thing.atoms!, -moles)
  // A hydroxide or oxide takes what it needs from the water.
  const waters = Math.max(0, Math.ceil(Math.max(-(left.O ?? 0), -(left.H ?? 0) / 2) - 1e-9))
  if (waters > 0) {
    taken.push([water, -waters])
    left = plusAtoms(left, water.atoms!, waters)
  }
  // Chlorine of a hypochlorite comes half from the chloride that is there.
  const chloride = Math.max(0, -(left.Cl ?? 0))
  if (chloride > 0) {
    taken.push([strongAnions[0]!, -chloride])
    left = plusAtoms(left, { Cl: 1 }, chloride)
    charge -= chloride
  }
  if (Object.values(left).some((count) => count < -1e-9)) return null
  return { change: net(taken, restsOf(one.thing, left, charge, other.thing === proton || other.thing === water)), gas }
}

/** Boric acid, which boron becomes in water (pKa: CRC Handbook of Chemistry and Physics; not compared with it). */
const boric = madeThing('H3BO3', 'boric acid', 'H3BO3', { acid: [9.24], solid: true })

/** What is left of a substance that gave a gas: metals as their ions, boron as its acid in water, all else as one thing that its atoms tell. */
function restsOf(thing: Thing, atoms: Readonly<Record<string, number>>, charge: number, inWater: boolean): Change {
  const parts: [Thing, number][] = []
  let left = { ...atoms }
  let open = charge
  for (const [symbol, cation] of Object.entries(cations)) {
    const count = left[symbol] ?? 0
    if (count < 1e-9 || cation.charge * count > open + 1e-9) continue
    parts.push([cation, count])
    left = { ...left, [symbol]: 0 }
    open -= cation.charge * count
  }
  const boron = left.B ?? 0
  if (inWater && boron > 1e-9 && noAtoms({ ...left, B: 0 }) && Math.abs(open - 3 * boron) < 1e-9) {
    parts.push([boric, boron], [water, -3 * boron], [proton, 3 * boron])
    return parts
  }
  if (noAtoms(left) && Math.abs(open) < 1e-9) return parts
  const waters = left.O ?? 0
  if (waters > 0 && Math.abs(open) < 1e-9 && noAtoms(plusAtoms(left, water.atoms!, -waters))) return [...parts, [water, waters]]
  const elements = Object.entries(left).filter(([, count]) => count > 1e-9)
  const [only] = elements
  // A metal of several charges is the ion of what it has left.
  if (elements.length === 1 && only && Math.abs(only[1] - 1) < 1e-9 && open > 0 && Number.isInteger(open))
    return [...parts, [cationOf(only[0], open), 1]]
  const formula = elements.map(([symbol, count]) => `${symbol}${Number(count.toFixed(3))}`).join('')
  return [...parts, [thingOfAtoms(`of ${thing.id} ${formula}`, `what ${thing.name} became`, left, open), 1]]
}

/**
 * Lets what meets in the vessel that the work goes on in do what the table says, as far as it moves matter. The gas of some rows follows from the pH alone.
 */
export function reactsByTable(bench: Bench, world: World, known: ReadonlySet<string>): { bench: Bench; met: string[] } {
  let vessel = vesselAt(bench)
  let gas: Holding[] = []
  const met: string[] = []
  const classes = classesIn(vessel)
  for (const row of rows) {
    const ones = classes.get(row.one)
    const others = classes.get(row.other)
    if (!ones || !others || (row.with && !classes.has(row.with))) continue
    for (const one of ones)
      for (const other of others) {
        if (one.holding.thing === other.holding.thing) continue
        const key = `${row.one} ${row.other} ${one.holding.thing.id} ${other.holding.thing.id}`
        if (met.includes(key)) continue
        met.push(key)
        // A strong acid does at once what a weak one does slowly.
        const isStrong = classes.get('strong acid')?.some(({ holding }) => holding === other.holding) ?? false
        const speed = row.speed === 'slow' && isStrong ? 'at once' : row.speed
        const happened = moves(vessel, { ...row, speed }, one.holding, other.holding, world)
        if (!happened) continue
        // How much of it nobody can say is said once for as much as there may be.
        const untold = happened.untoldMmol === undefined ? undefined : `${key} ${happened.untoldMmol?.toFixed(6)}`
        if (untold !== undefined && !met.includes(untold)) {
          met.push(untold)
          if (!known.has(untold))
            for (const thing of happened.gases) world.note({ kind: 'gas', thing, mmol: null, vessel: vessel.name })
        }
        vessel = happened.vessel
        gas = together(gas, happened.gas)
      }
  }
  return gas.length === 0 && vessel === vesselAt(bench)
    ? { bench, met }
    : { bench: { ...withVessel(bench, vessel), air: together(bench.air, gas) }, met }
}

/** What a row has done: the vessel after it, the gas that left; and the most that may leave besides where nobody can say how much does, null where that is unknown too. */
interface Moved {
  vessel: Vessel
  gas: Holding[]
  gases: readonly Thing[]
  untoldMmol?: number | null
}

/** A row as it moves matter in a vessel; undefined where it moves none. */
function moves(vessel: Vessel, row: Row, one: Holding, other: Holding, world: World): Moved | undefined {
  if (!one.certain || !other.certain) return undefined
  const found = changeOf(row, one, other)
  if (!found) return undefined
  const gases = found.gas.map(([thing]) => thing)
  const most = mostOf(vessel, found.change, (thing) => thing === hydroxide)
  if (most === null) return { vessel, gas: [], gases, untoldMmol: null }
  // As far as all else goes: what the first holds besides is not written.
  const may =
    row.gas?.comesWith === 'chloride'
      ? mostOf(vessel, found.change, (thing) => thing === hydroxide || thing === strongAnions[0])
      : most
  const untold = may === null || may > most + 1e-6 ? { untoldMmol: may } : {}
  const mmol = most * world.draw(`goes ${row.one} ${row.other}`, goes[row.speed])
  if (mmol <= 1e-9) return 'untoldMmol' in untold ? { vessel, gas: [], gases, ...untold } : undefined
  const gas = found.gas.map(([thing, moles]): Holding => {
    world.note({ kind: 'gas', thing, mmol: moles * mmol, vessel: vessel.name })
    return { thing, amount: moles * mmol, from: [`reaction ${world.step}`], certain: true }
  })
  return { vessel: changed(vessel, found.change, mmol, `reaction ${world.step}`), gas, gases, ...untold }
}
