import type { RunState } from '@/core/run/foldRun'
import type { Numbered } from '../run/useLive'

export interface BoardRun {
  id: string
  bench: number
  members: string
  scale: number
  code: string | null
  before?: { title: string; massG: number; fraction: number; dry: boolean }[]
  entries: Numbered[]
}

/** A bench of the board with what its log comes to. */
export interface Bench {
  run: BoardRun
  state: RunState
}
