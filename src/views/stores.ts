import type { Step } from '@/core/plan/plan'
import type { DayPlan, StoresRecord } from '@/core/stores/record'
import type { NamedBottle, SetRow } from '@/core/stores/setRow'
import type { Unsaid } from '@/core/stores/settingOut'
import type { Thing } from '@/core/stores/things'
import type { AtScale } from '@/core/stores/toldDay'
import type { LoggedClasses } from '@/core/timetable/logged'

/** One bench as the stores see it. */
export interface StoresGroup {
  run: string
  bench: number
  members: string
  scale: number
}

/** A session as the pages of the stores show it. */
export interface StoresSessionView {
  id: string
  title: string
  section: string
  startsAt: string
  endsAt: string
  room: string
  zone: string
  cancelled: boolean
  groups: StoresGroup[]
}

/** What is set out for a session, and what is missing. */
export interface SettingOutView {
  session: StoresSessionView
  rows: SetRow[]
  things: Thing[]
  unsaid: Unsaid[]
  spare: number
  records: StoresRecord[]
}

/** What became of one thing that was issued. */
export interface UsedRowView {
  item: string
  name: string
  unit: 'g' | 'mL'
  /** What left the bottles when it was set out, bottle by bottle, in the unit of the row; a bottle counts `perUnit` of its own for one of them. Empty where nothing was set out. */
  out: { bottle: string; take: number; perUnit: number }[]
  charged: number
  benches: number
  unreadable: number
  /** Bottles that it could be taken from now, where nothing was set out. */
  bottles: (NamedBottle & { perUnit: number })[]
  settled: StoresRecord<'settled'> | null
}

/** What really happened at a bench on the day. */
export interface HappenedView {
  bench: number
  beganAt: number | null
  /** When each step was ended, ms. */
  ended: Record<string, number>
  /** The step that it is in; null where it is done with all. */
  now: string | null
}

/** The timetable of a session. */
export interface TimetableView {
  session: StoresSessionView
  /** The steps of this day; and as they are at the scales of groups that do not work at the plan's. */
  steps: Step[]
  scaled: AtScale[]
  /** What the groups share, and how many of it there are; null where nobody has said it. */
  stations: { name: string; count: number | null }[]
  /** The same as the room has it, without what was said for the day. */
  usual: Record<string, number>
  day: DayPlan
  logged: LoggedClasses & { classes: number }
  happened: HappenedView[]
}
