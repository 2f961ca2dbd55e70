import { isCharged, type Plan } from '../plan/plan'
import { protonsOf } from '../substance/acidBase'
import { ionsIn } from '../substance/shapes'
import type { Substance } from '../substance/substance'
import { ionsOf, type InWater } from './ions'
import { hydroxide, proton, weak } from './minerals'
import { sparing } from './salts'
import { noAtoms, plusAtoms, thingOf, water, type Thing } from './thing'

/** The things of a plan: each substance once, all water one thing, and what each is in water. */
export interface Things {
  /** The thing of a substance of the plan. */
  of: (substance: Substance) => Thing
  /** What else a material or an impure substance holds, counted in grams. */
  restOf: (substance: Substance) => Thing
  inWater: (thing: Thing) => InWater | null
  /** The acid or amine of the plan that has these atoms. */
  acidOf: (atoms: Readonly<Record<string, number>>) => Thing | undefined
  /** Salts that may come out of water: those of the plan, and those that hardly dissolve. */
  salts: readonly { thing: Thing; inWater: InWater; ions: InWater['parts'] }[]
}

/** By what they rest on: a plan whose steps alone were changed has the same things. */
const known = new WeakMap<Plan['lines'], { substances: Plan['substances']; things: Things }>()

/** The things of a plan. Plans are values: the same one is asked for at every step. */
export function thingsOf(plan: Plan): Things {
  const found = known.get(plan.lines)
  if (found && found.substances === plan.substances) return found.things
  const things = made(plan)
  known.set(plan.lines, { substances: plan.substances, things })
  return things
}

/** Things of substances, by whether they are solids; substances are values. */
const ofSubstance = new WeakMap<Substance, Thing[]>()

function once(substance: Substance, solid: boolean): Thing {
  const both = ofSubstance.get(substance) ?? []
  ofSubstance.set(substance, both)
  return (both[solid ? 1 : 0] ??= thingOf(substance, solid))
}

/** What hardly dissolves whatever plan it is in, as things. */
const sparingThings = sparing.map(({ name, formula, smiles }) =>
  thingOf({ id: `salt ${formula}`, name, formula, ...(smiles === undefined ? {} : { smiles }) }, true),
)

/** Whether a substance without a melting point on record is a solid, by the lines that have it, the charged ones first: what comes out of a bottle is seen, what forms is only named. What is only ever in solution is a liquid where a density or a boiling point says so. */
function isSolid(plan: Plan, { id, density, boiling, formula, smiles }: Substance): boolean {
  const lines = plan.lines.filter(({ substance }) => substance === id)
  const kind = (lines.find(isCharged) ?? lines[0])?.form.kind
  if (kind === 'neat' || kind === undefined) return false
  return kind === 'solid' || ionsIn(smiles) > 1 || !(density || boiling || protonsOf({ formula }) > 0)
}

const weakByAtoms = Object.values(weak)

function made(plan: Plan): Things {
  const byId = new Map<string, Thing>()
  for (const substance of plan.substances) {
    const thing = once(substance, isSolid(plan, substance))
    // Carbon dioxide, ammonia and the like are one thing with what forms from their salts.
    const one = thing.atoms && !noAtoms(thing.atoms) ? [water, ...weakByAtoms].find((each) => sameAtoms(each, thing)) : undefined
    byId.set(substance.id, one ?? thing)
  }
  const all = [...byId.values()]
  const acids = all.filter(({ acid, base }) => acid.length > 0 || base !== null)
  const acidOf: Things['acidOf'] = (atoms) => acids.find((acid) => noAtoms(plusAtoms(atoms, acid.atoms!, -1)))
  const parts = new Map<Thing, InWater | null>()
  const inWater = (thing: Thing) => {
    let found = parts.get(thing)
    if (found === undefined) {
      found = ionsOf(thing, acidOf)
      parts.set(thing, found)
    }
    return found
  }
  const salts = [...all, ...sparingThings].flatMap((thing) => {
    const apart = thing.solid ? inWater(thing) : null
    return apart && apart.parts.some(([part]) => part.charge > 0)
      ? [{ thing, inWater: apart, ions: apart.parts.filter(([part]) => part !== hydroxide && part !== proton) }]
      : []
  })
  return {
    of: (substance) => byId.get(substance.id) ?? once(substance, true),
    restOf: rest,
    inWater,
    acidOf,
    // A salt of the plan stands before the same one of the table.
    salts: [...new Map(salts.toReversed().map((salt) => [atomsKey(salt.thing), salt])).values()].toReversed(),
  }
}

const atomsKey = ({ id, atoms }: Thing) =>
  atoms === null ? id : JSON.stringify(Object.entries(atoms).sort(([a], [b]) => (a < b ? -1 : 1)))

const sameAtoms = (one: Thing, other: Thing) =>
  one.atoms !== null && other.atoms !== null && one.charge === other.charge && noAtoms(plusAtoms(one.atoms, other.atoms, -1))

const rests = new WeakMap<Substance, Thing>()

function rest(substance: Substance): Thing {
  const found: Thing = rests.get(substance) ?? {
    id: `rest ${substance.id}`,
    name: `what else ${substance.name} holds`,
    substance: { id: `rest ${substance.id}`, name: substance.name },
    atoms: null,
    charge: 0,
    gPer: 1,
    solid: true,
    acid: [],
    base: null,
  }
  rests.set(substance, found)
  return found
}
