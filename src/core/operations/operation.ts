import type { Beside } from '../measurements/besides'
import type { Taken } from './taken'
import type { MeasurementKey } from '../measurements/registry'
import type { Words } from '../words/words'
import type { Plan, Step } from '../plan/plan'
import type { UsualStation } from '../plan/stations'
import type { StepFact } from '../plan/stepFacts'
import type { Purpose } from '../reaction/meeting'

/** How a typed figure goes with the scale of its plan: as the amounts do, or as the time does in which the same heat per gram is led away (timeFactor). */
export type Law = 'as the amounts' | 'as the time of cooling'

/** What was done, as a paper tells it: *the organic layer was washed with water*. */
export interface Past {
  /** What it was done to: the lines of the step, or a thing in words; *it* is what the sentence before spoke of. */
  of: 'lines' | 'it' | 'the mixture' | 'the organic layer' | 'the crude product' | 'the product' | 'the solvent' | 'a solution'
  did: string
  /** What is told besides: `{lines}` for what it takes, a blank of its planner or `{@field}` of its step; what stands in `[…]` is left out where its blanks were not typed. */
  more?: string
  /** Where it was done again, only the rest is told, after *then*. */
  thenAgain?: true
}

/**
 * An operation of the laboratory as everything knows it: the Desk, the bench, the safety sheet and the rules ask these members and know none by name.
 * What it works out stands in its planner (planner.ts).
 */
export interface Operation {
  /** What a person types to get it, and what stands in the list. */
  name: string
  /** How it is told in a paper afterwards; absent where a paper says nothing of it. */
  past?: Past
  /** The danger that goes with it wherever it is done; empty where there is none of its own. */
  danger: string
  /** A fresh step, as it stands before anything is typed. */
  make: (base: { id: string; title: Words }, plan: Plan) => Step
  /** Sentences with `{@key}` for fields of its step (own.ts), where its planner does not say them. */
  says?: readonly string[]
  /** Facts that are asked for in it; gas may come off in any. */
  asks?: readonly StepFact[]
  /** When it is over the product stands by itself: everything else may be put away. */
  leavesProduct?: true
  /** What is in the vessel is hot. Under a condenser, the apparatus is checked before. */
  heats?: 'under a condenser' | 'open'
  /** It sets an apparatus up and checks it. */
  setsUp?: true
  /** Two layers are shaken in it. */
  shakes?: true
  /** Acid or base is put to what is there. */
  meetsAcidOrBase?: true
  /** What the groups share in it, where its step names nothing else. */
  station?: UsualStation | ((step: Step) => UsualStation | undefined)
  /** While it waits somebody stays beside it and does nothing else. */
  watched?: true
  /** What each group takes from the stores for it, besides its lines and what its planner works out. */
  takes?: readonly Taken[]
  /** It needs only what was made before, and may be done while another step waits by itself: a measurement of a sample, or putting away. */
  meanwhile?: 'measures a sample' | 'puts away'
  /** It leads heat away through the wall, and takes longer at a larger scale. */
  slowsWithScale?: true
  /** Blanks of its planner that go with the scale, a column of a list as `list.column`; the others stay as they are typed. */
  scales?: Readonly<Record<string, Law>>
  /** The blank of its planner that the temperature must not pass, °C. */
  ceiling?: string
  /** What it does cannot be taken back. */
  final?: 'goes in' | 'is driven off'
  /** Meetings that it is there for. */
  meant?: readonly Purpose[]
  /** Where it stands in a plan of its own accord. */
  place?: 'first' | 'waste' | 'last'
  /** How it is measured; where nothing is said it is ticked off, and what is held has its clock. */
  measures?: MeasurementKey | ((step: Step) => MeasurementKey)
  /** What may be written besides while it goes on. */
  besides?: readonly Beside[]
}
