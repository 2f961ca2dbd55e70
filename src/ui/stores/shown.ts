import type { Share, Unsaid } from '@/core/stores/settingOut'
import type { StoresRecord } from '@/core/stores/record'
import type { Thing } from '@/core/stores/things'
import type { Batch } from '@/core/stores/batch'

/** A session as the pages of the stores show it. */
export interface SessionShown {
  id: string
  title: string
  section: string
  startsAt: string
  endsAt: string
  room: string
  zone: string
  cancelled: boolean
  groups: { run: string; bench: number; members: string; scale: number }[]
}

/** A bottle as it is named where something is taken from it. */
export interface BottleShown {
  id: string
  words: string
}

export interface SetRowShown {
  item: string
  name: string
  strength: string
  unit: 'g' | 'mL'
  sum: number
  issue: number
  shares: Share[]
  madeIn: string | null
  from: (BottleShown & { take: number })[]
  not: (BottleShown & { why: string[] })[]
  short: number
  unknown: boolean
  tap: boolean
  /** What is fetched in its place, where it is made up here. */
  fetched: { name: string; unit: 'g' | 'mL' } | null
  solution: (Batch & { mixing: string }) | { why: string } | null
}

export interface SettingOutShown {
  session: SessionShown
  rows: SetRowShown[]
  things: Thing[]
  unsaid: Unsaid[]
  spare: number
  records: StoresRecord[]
}
