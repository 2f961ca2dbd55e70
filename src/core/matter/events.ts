import type { Row } from './reactions/row'
import type { Thing } from './thing'

/** What happens in a step, for whoever reads the walk: figures of the realisation that was asked for. */
export type MatterEvent =
  /** Leaves as a gas, mmol. */
  | { kind: 'gas'; thing: Thing; mmol: number | null; vessel: string }
  /** Comes out of what it was dissolved in, mmol; null where nobody can say how much. */
  | { kind: 'solid'; thing: Thing; mmol: number | null; vessel: string }
  /** Two of which the table says what comes of it. */
  | { kind: 'meets'; row: Row; one: Thing; other: Thing; vessel: string }
  | { kind: 'reacts'; reaction: string; extentMmol: number | null; vessel: string }
  /** There are no two layers to part. */
  | { kind: 'no layers'; vessel: string }
  | { kind: 'distils'; vessel: string; into: string; fromC: number; toC: number }
  /** What cannot be told, and the one figure that would mend it. */
  | { kind: 'cannot be told'; what: string; mends: string; vessel: string }
  /** A measured mass that differs from what was expected, g: more is above 0. */
  | { kind: 'unaccounted'; grams: number; vessel: string }
