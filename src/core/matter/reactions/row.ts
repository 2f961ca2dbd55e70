import { heats, heatSource } from '../../reaction/heatTable'
import type { Grave, Meeting, MeetingGas } from '../../reaction/meeting'
import { meetings, meetingsSource } from '../../reaction/meetings'
import type { ClassInVessel } from '../../reaction/reactiveClasses'
import type { Span } from '../span'

/** How soon it goes: at once, over the minutes of a step, or slower than that. */
export type Speed = 'at once' | 'minutes' | 'slow'

/** What happens where classes meet: the gas and the heat of it, how grave it is, what to do instead. */
export interface Row {
  one: ClassInVessel
  other: ClassInVessel
  /** A third that must be there as well. */
  with?: ClassInVessel
  /** Only where the other is put to the first, and is not of a class. */
  order?: NonNullable<Meeting['order']>
  gas?: MeetingGas
  /** Given off for each equivalent that reacts. */
  kJ: Span | 'unknown'
  speed: Speed
  grade: Grave | 'ordinary'
  happens?: string
  instead?: string
  meant?: NonNullable<Meeting['meant']>
  source: string
}

const span = ([low, likely, high]: readonly [number, number, number]): Span => ({ low, likely, high })

/** Metals that an acid which keeps most of its protons dissolves only slowly, and what rests on a spark of moisture. */
const slow = (one: ClassInVessel, other: ClassInVessel): Speed =>
  one === 'zinc or iron' && other === 'acid' ? 'slow' : one === 'acid anhydride' && other === 'water' ? 'minutes' : 'at once'

/** The heat of two is the same whichever stands first. */
const isPair = (row: { one: ClassInVessel; other: ClassInVessel }, one: ClassInVessel, other: ClassInVessel) =>
  (row.one === one && row.other === other) || (row.one === other && row.other === one)

const heatRow = (one: ClassInVessel, other: ClassInVessel, third: ClassInVessel | undefined) =>
  heats.find((heat) => isPair(heat, one, other) && heat.with === third)

/** Meetings with their heats, the graver first; then the heats of what is ordinary. No heat is borrowed: a row that none is on record for has an unknown one. */
export const rows: readonly Row[] = [
  ...meetings.map((meeting): Row => {
    const heat = heatRow(meeting.one, meeting.other, meeting.with)
    return {
      one: meeting.one,
      other: meeting.other,
      ...(meeting.with ? { with: meeting.with } : {}),
      ...(meeting.order ? { order: meeting.order } : {}),
      ...(meeting.gas ? { gas: meeting.gas } : {}),
      kJ: heat ? span(heat.kJ) : 'unknown',
      speed: slow(meeting.one, meeting.other),
      grade: meeting.grave,
      happens: meeting.happens,
      instead: meeting.instead,
      ...(meeting.meant ? { meant: meeting.meant } : {}),
      source: meetingsSource,
    }
  }),
  ...heats
    .filter((heat) => !meetings.some((each) => isPair(each, heat.one, heat.other) && each.with === heat.with))
    .map((heat): Row => ({
      one: heat.one,
      other: heat.other,
      ...(heat.with ? { with: heat.with } : {}),
      kJ: span(heat.kJ),
      speed: slow(heat.one, heat.other),
      grade: 'ordinary',
      source: heatSource,
    })),
]
