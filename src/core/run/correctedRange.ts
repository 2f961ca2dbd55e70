import type { MeltingRange } from '../operations/melt/meltingReading'
import type { EntryBodies } from './entry'

/** A melting range put right by the standards of its apparatus, as they stood when it was read; as it was read where it had none. */
export function correctedRange({ onsetC, clearC, instrument }: EntryBodies['melting']): MeltingRange {
  if (!instrument) return { onsetC, clearC }
  const right = (readC: number) => instrument.offsetC + instrument.slope * readC
  return { onsetC: right(onsetC), clearC: right(clearC) }
}
