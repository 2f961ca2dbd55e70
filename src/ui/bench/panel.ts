import type { Write } from './write'

/** What every panel beside the work is given. */
export interface PanelProps {
  write: Write
  onClose: () => void
}
