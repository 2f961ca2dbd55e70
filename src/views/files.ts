import type { TraceKind } from '@/core/traces/trace'
import type { TraceReading } from '@/core/traces/report'

/** A file of an instrument, without its content. */
export interface FileView {
  id: string
  name: string
  kind: TraceKind
  title: string
  simulated: boolean
  slot: string
  /** The run that it belongs to; null until somebody has said which. */
  run: string | null
  reading: TraceReading
  addedBy: string
  addedAt: string
}
