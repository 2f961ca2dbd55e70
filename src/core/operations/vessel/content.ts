import type { Line } from '../../plan/plan'
import type { Substance } from '../../substance/substance'

/** A part of a line as it stands in a vessel. */
export interface Content {
  line: Line
  substance: Substance
  massG: number | null
  volumeML: number | null
  /** Of the substance itself; null where nobody can say. */
  mmol: number | null
  /** What a material holds: it is not there for itself in any other way than by what it does to others. */
  holds: Content[]
}
