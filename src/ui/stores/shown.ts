import type { SetRow } from '@/core/stores/setRow'
import type { Unsaid } from '@/core/stores/settingOut'
import type { StoresRecord } from '@/core/stores/record'
import type { Thing } from '@/core/stores/things'

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

export interface SettingOutShown {
  session: SessionShown
  rows: SetRow[]
  things: Thing[]
  unsaid: Unsaid[]
  spare: number
  records: StoresRecord[]
}
