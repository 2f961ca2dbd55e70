import type { ClassInVessel } from '../../reaction/reactiveClasses'
import type { Holding, Vessel } from '../state'
import { classesIn, type OfClass } from './classesIn'
import { rows, type Row } from './row'

/** Something of a class that may meet another: in the vessel already, or new to it. */
export interface Party extends OfClass {
  fresh: boolean
}

export type Parties = (name: ClassInVessel) => readonly Party[]

/** What stands in a vessel and what comes into it, by class: what comes counts at the strength of its bottle. */
export function partiesOf(there: Vessel | undefined, comes: Vessel | undefined): Parties {
  const all = new Map<ClassInVessel, Party[]>()
  for (const [vessel, fresh] of [[there, false] as const, [comes, true] as const])
    for (const [name, of] of vessel ? classesIn(vessel) : [])
      all.set(name, [...(all.get(name) ?? []), ...of.map((each) => ({ ...each, fresh }))])
  return (name) => all.get(name) ?? []
}

/** Nothing meets itself; two acids of which one is new are two, though both are protons in water. */
const isSame = (one: Party, other: Party) => one.holding.thing === other.holding.thing && one.fresh === other.fresh

/** Every two that a row fits; its third has to be there as well. */
export function pairsOf(
  row: { one: ClassInVessel; other: ClassInVessel; with?: ClassInVessel },
  parties: Parties,
): { one: Party; other: Party }[] {
  if (row.with && parties(row.with).length === 0) return []
  return parties(row.one).flatMap((one) => parties(row.other).flatMap((other) => (isSame(one, other) ? [] : [{ one, other }])))
}

/** Two of which the table says what comes of their meeting. */
export interface Meets {
  row: Row
  one: Holding
  other: Holding
}

/** Rows that say what happens: all but those that have only a heat. */
const telling = rows.filter(({ grade }) => grade !== 'ordinary')

/** Less of either than this does nothing that anybody would notice at a bench, mmol: 0.1 mmol are 2.4 mL of a gas or some 20 mg of a substance; of a gas that kills a twentieth of that. Judgement. */
const leastMmol = { gasThatKills: 0.005, other: 0.1 } as const

/** True where the other is put to the first, and what is put to it is not what the row leaves out. */
const isInOrder = ({ unlessIts }: NonNullable<Row['order']>, { one, other }: { one: Party; other: Party }, parties: Parties) =>
  !one.fresh && other.fresh && !(unlessIts && parties(unlessIts).some(({ fresh }) => fresh))

/** What meets in a vessel, the graver first: what comes into it with what is there, each as strong as it is by itself, and all that then stands in it. */
export function meetsIn(there: Vessel | undefined, comes: Vessel | undefined, during: Vessel | undefined): Meets[] {
  const [apart, together] = [partiesOf(there, comes), partiesOf(during, undefined)]
  return telling.flatMap((row) => {
    const counts = ({ amount }: Holding) =>
      amount === null || amount >= (row.grade === 'kills' && row.gas ? leastMmol.gasThatKills : leastMmol.other)
    const found = [
      ...pairsOf(row, apart).filter((pair) =>
        row.order ? isInOrder(row.order, pair, apart) : pair.one.fresh || pair.other.fresh,
      ),
      ...(row.order ? [] : pairsOf(row, together)),
    ].flatMap(({ one, other }): Meets[] =>
      counts(one.holding) && counts(other.holding) ? [{ row, one: one.holding, other: other.holding }] : [],
    )
    return found.filter(
      (each, at) => found.findIndex(({ one, other }) => one.thing === each.one.thing && other.thing === each.other.thing) === at,
    )
  })
}
