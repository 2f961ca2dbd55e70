import type { GasName } from './gases'
import type { ClassInVessel } from './reactiveClasses'

/** What two things that must not meet unawares may meet for: to destroy one of them, to drown what is left of it, to test with it. */
export type Purpose = 'destroys' | 'drowns' | 'tests'

/** How grave it is: it may kill; it may injure; or it happens every day and wants a measure, not a question. */
export type Grave = 'kills' | 'injures' | 'heed'

/** A gas of a meeting: moles to a mole of the first, and how many equivalents of the other that takes. */
export interface MeetingGas {
  of: GasName
  perOne: number | 'each'
  needs: number | 'each'
  /** What the first holds as a rule, written or not, and gives its atoms to the gas: bleach is made with as much chloride as hypochlorite. */
  comesWith?: 'chloride'
}

/** Two classes, what comes of their meeting, how grave that is, and what to do. */
export interface Meeting {
  one: ClassInVessel
  other: ClassInVessel
  /** A third that must be there as well. */
  with?: ClassInVessel
  /** Only where the other is put to the first, which stands there already; not where what is put to it is of this class besides. */
  order?: { otherComes: true; unlessIts?: ClassInVessel }
  grave: Grave
  /** What happens, as a sentence. */
  happens: string
  /**
   * The gas that comes off: moles to a mole of `one` (`each`: as many as it has equivalents), and how many equivalents of the other that takes (0: the other is not used up).
   */
  gas?: MeetingGas
  /** What to do instead, or how it is kept safe. */
  instead: string
  /** What the meeting may be for, and the measure that then stands in place of the doubt in the operations that are there for it. */
  meant?: { purpose: Purpose; measure: string }
}
