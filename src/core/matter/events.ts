import type { Vessel } from './state'
import type { Thing } from './thing'

/** What happens in a step, for whoever reads the walk: figures of the realisation that was asked for. */
export type MatterEvent =
  /** Leaves as a gas, mmol. */
  | { kind: 'gas'; thing: Thing; mmol: number | null; vessel: string }
  /** Comes out of what it was dissolved in, mmol; null where nobody can say how much. */
  | { kind: 'solid'; thing: Thing; mmol: number | null; vessel: string }
  | { kind: 'reacts'; reaction: string; extentMmol: number | null; vessel: string }
  /** Goes into a waste container, as it stood. */
  | { kind: 'put away'; into: string; vessel: string; stood: Vessel }
  /** There are no two layers to part. */
  | { kind: 'no layers'; vessel: string }
  | { kind: 'distils'; vessel: string; into: string; fromC: number; toC: number }
  /** What cannot be told, and the one figure that would mend it. */
  | { kind: 'cannot be told'; what: string; mends: string; vessel: string; of?: Thing }
  /** A measured mass that differs from what was expected, g: more is above 0. */
  | { kind: 'unaccounted'; grams: number; vessel: string }
