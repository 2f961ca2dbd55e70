import { gasMolarVolume } from '../substance/acidBase'
import type { Substance } from '../substance/substance'
import { equivalentsOf } from './equivalents'
import type { Meeting } from './meeting'
import { meetingTable } from './meetingTable'
import { classesOf, type Kept } from './reactiveClasses'

/** Source of all of them. */
export const meetingsSource = 'Bretherick’s Handbook of Reactive Chemical Hazards'

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
export function isSpoiltByMoistAir(what: Kept): boolean {
  const classes = classesOf(...what)
  return ([...apart, 'magnesium'] as const).some((each) => each !== 'acid anhydride' && classes.has(each))
}

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

/** mmol of gas from a meeting: as far as the scarcer of the two goes; 0 where none comes off. */
export function gasOf({ gas, one: as, other: asOther }: Meeting, one: Amount, other: Amount): number {
  if (!gas) return 0
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
