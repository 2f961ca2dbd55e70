import { gasMolarVolume } from '../substance/acidBase'
import type { Substance } from '../substance/substance'
import { readFormula } from '../substance/readFormula'
import { equivalentsOf } from './equivalents'
import type { Meeting } from './meeting'
import { meetingTable } from './meetingTable'
import { classesOf, type ClassInVessel, type Kept } from './reactiveClasses'

/** Source of all of them. */
export const meetingsSource = 'Bretherick’s Handbook of Reactive Chemical Hazards; not compared with it'

export const meetings = meetingTable

/** Classes that water takes apart, or that take fire or gas from it. */
const apart = [
  'water-reactive',
  'acyl halide',
  'acid anhydride',
  'hydride',
  'alkali metal',
  'alkoxide',
  'organometallic compound',
] as const

/** True for what the water in the air spoils. Magnesium, because what is made of it in ether is; an anhydride loses too little for it to matter. */
export const isSpoiltByMoistAir = (classes: { has: (each: ClassInVessel) => boolean }): boolean =>
  ([...apart, 'magnesium'] as const).some((each) => each !== 'acid anhydride' && classes.has(each))

/** What two substances do to each other when nothing else is there, where that is worth a question; undefined where nothing is known. */
export function betweenTwo(one: Kept, other: Kept): string | undefined {
  const [a, b] = [classesOf(...one), classesOf(...other)]
  const found = meetings.find(
    (meeting) =>
      !meeting.with &&
      meeting.grave !== 'heed' &&
      ((a.has(meeting.one) && b.has(meeting.other)) || (b.has(meeting.one) && a.has(meeting.other))),
  )
  if (found) return found.happens
  if (apart.some((each) => a.has(each)) && (b.has('water') || b.has('alcohol'))) return 'it takes it apart'
  return undefined
}

type Amount = { substance: Pick<Substance, 'formula' | 'groups'>; mmol: number }

type Gas = NonNullable<Meeting['gas']>

/** Moles of gas from a mole of what water takes apart, by formula: at most, for water holds much of it back (Greenwood and Earnshaw, Chemistry of the Elements: hydrolysis of the halides). */
const fromWater: Readonly<Record<string, readonly Gas[]>> = Object.fromEntries(
  (
    [
      ['SOCl2', ['hydrogen chloride', 2], ['sulfur dioxide', 1]],
      ['PCl3', ['hydrogen chloride', 3]],
      ['PCl5', ['hydrogen chloride', 5]],
      ['POCl3', ['hydrogen chloride', 3]],
      ['PBr3', ['hydrogen bromide', 3]],
      ['AlCl3', ['hydrogen chloride', 3]],
      ['C2H3ClO', ['hydrogen chloride', 1]],
      ['C7H5ClO', ['hydrogen chloride', 1]],
    ] as const
  ).map(([formula, ...gases]) => [formula, gases.map(([of, perOne]) => ({ of, perOne, needs: 0 }))]),
)

/** The gases of a meeting of these two: of what water takes apart by its formula, and of a bromide the bromide. */
export function gasesOf(meeting: Meeting, one: Pick<Substance, 'formula'>): readonly Gas[] {
  const { formula = '' } = one
  if (meeting.one === 'water-reactive' && meeting.other === 'water') return fromWater[formula] ?? []
  if (!meeting.gas) return []
  const { Cl, Br } = meeting.one === 'acyl halide' ? readFormula(formula).atoms : {}
  return [Br && !Cl ? { ...meeting.gas, of: 'hydrogen bromide' } : meeting.gas]
}

/** mmol of a gas from a meeting: as far as the scarcer of the two goes. */
export function gasOf(gas: Gas, { one: as, other: asOther }: Meeting, one: Amount, other: Amount): number {
  const each = equivalentsOf(as, one.substance)
  const perOne = gas.perOne === 'each' ? each : gas.perOne
  const needs = gas.needs === 'each' ? each : gas.needs
  const reach = needs === 0 ? Infinity : (other.mmol * equivalentsOf(asOther, other.substance)) / needs
  return Math.min(one.mmol, reach) * perOne
}

/** Litres of a gas at 20 °C under a pressure, from mmol: ideal gas, 24.06 L/mol at 760 mmHg. */
export function gasLitres(mmol: number, mmHg = 760): number {
  return (mmol * gasMolarVolume * (760 / mmHg)) / 1000
}
