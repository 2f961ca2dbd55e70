import { holdsStuff, type Bottle } from './bottle'
import type { Fetched } from './batch'

/** Why what is in a bottle became more or less. */
export type MoveKind = 'set out' | 'came back' | 'charged' | 'distilled' | 'counted' | 'thrown away' | 'filled'

/** One change of what is in a bottle; in its unit, less than zero for what went out. */
export interface Move {
  bottle: string
  kind: MoveKind
  by: number
  at: string
  session?: string | undefined
}

/** Days of a bottle, as dates: what speaks against using it, the gravest first. */
export function againstBottle({ expiresOn, peroxideTestBy, left }: Bottle, day: string, formsPeroxides: boolean): string[] {
  return [
    ...(left.value <= 0 ? ['it is empty'] : []),
    ...(peroxideTestBy !== undefined && peroxideTestBy < day ? [`its peroxide test was due on ${peroxideTestBy}`] : []),
    ...(formsPeroxides && peroxideTestBy === undefined ? ['nobody has said when its peroxide test is due'] : []),
    ...(expiresOn !== undefined && expiresOn < day ? [`it expired on ${expiresOn}`] : []),
  ]
}

/** What a need is taken from, and what is missing. */
export interface Picked {
  /** `take` in the unit of the need; a bottle counts `perUnit` of its own units for one of them. */
  from: { bottle: Bottle; take: number; perUnit: number }[]
  /** Bottles of the same stuff that are not taken, and why. */
  not: { bottle: Bottle; why: string[] }[]
  /** In the unit of the need; 0 where the shelf has enough. */
  short: number
  /** True where a bottle holds it in the other unit and its density is not known: then nobody can say whether it is enough. */
  unknown: boolean
}

/** Bottles for a need: the one that was opened first, then the emptier; none that has expired or is past its peroxide test. */
export function pickFor(need: Fetched, bottles: readonly Bottle[], day: string): Picked {
  const formsPeroxides = need.substance.waste === 'peroxide former, by itself'
  const same = bottles.filter((bottle) => holdsStuff(bottle, need.substance, need.form))
  const density =
    need.form.kind === 'solid' ? undefined : 'gPerML' in need.form ? need.form.gPerML : need.substance.density?.gPerML
  const perUnitOf = (bottle: Bottle): number | null => {
    if (bottle.left.unit === need.unit) return 1
    if (density === undefined) return null
    return need.unit === 'g' ? 1 / density : density
  }
  const not: Picked['not'] = []
  const usable: { bottle: Bottle; has: number; perUnit: number }[] = []
  let unknown = false
  for (const bottle of same) {
    const why = againstBottle(bottle, day, formsPeroxides)
    const perUnit = perUnitOf(bottle)
    if (why.length > 0) not.push({ bottle, why })
    else if (perUnit === null) unknown = true
    else usable.push({ bottle, has: bottle.left.value / perUnit, perUnit })
  }
  usable.sort((a, b) => (a.bottle.openedOn ?? '9').localeCompare(b.bottle.openedOn ?? '9') || a.has - b.has)
  let missing = need.issue
  const from: Picked['from'] = []
  for (const { bottle, has, perUnit } of usable) {
    if (missing <= 1e-9) break
    const take = Math.min(has, missing)
    from.push({ bottle, take, perUnit })
    missing -= take
  }
  return { from, not, short: Math.max(0, missing <= 1e-9 ? 0 : missing), unknown }
}

/** What was used of one bottle between two moments: what went out and did not come back. Counting again and filling use nothing. */
export function usedOf(moves: readonly Move[], from: string, to: string): number {
  const uses: readonly MoveKind[] = ['set out', 'came back', 'charged', 'thrown away', 'distilled']
  return moves.reduce((sum, { kind, by, at }) => (uses.includes(kind) && at >= from && at < to ? sum - by : sum), 0)
}

/** What was set out of bottles for a session, as its tick says: by bottle, in the unit of each. */
export interface SetOut {
  from: readonly { bottle: string; take: number }[]
}

/**
 * The shelf as it was before what is set out had left it. What a session needs is worked out against this shelf, so that a tick changes nothing of it: of 15 g with 9 on the shelf
 * 6 are missing before they are set out and afterwards.
 */
export function beforeSetOut(bottles: readonly Bottle[], out: readonly SetOut[]): Bottle[] {
  const taken = new Map<string, number>()
  for (const { bottle, take } of out.flatMap(({ from }) => from)) taken.set(bottle, (taken.get(bottle) ?? 0) + take)
  return bottles.map((bottle) => {
    const back = taken.get(bottle.id)
    return back === undefined
      ? bottle
      : { ...bottle, left: { ...bottle.left, value: Number((bottle.left.value + back).toPrecision(12)) } }
  })
}
