import { Type, type TSchema } from '@sinclair/typebox'
import { above0, exact, fraction, id, oneBy, oneOf, quantity, words } from '../quantity/schema'
import { wasteStreams } from '../substance/lists'
import type { Words } from '../words/words'
import { solutionSolventNames } from '../substance/solutionSolvents'
import { substanceSchema } from '../substance/substanceSchema'
import { discarded, ownEffects, ownMeasures, roles, vesselKinds } from './lists'
import { stepFactKeys } from './stepFacts'

/** Purity and water of crystallisation, where `water` counts the molecules that the bottle holds beyond the substance's own formula. A strength that is absent is not known yet: then neither is the amount. */
const form = oneBy('kind', [
  exact({
    kind: Type.Literal('solid'),
    purity: fraction,
    water: Type.Optional(Type.Number({ exclusiveMinimum: 0, maximum: 30 })),
  }),
  exact({ kind: Type.Literal('neat'), purity: fraction }),
  exact({
    kind: Type.Literal('solution'),
    molPerL: Type.Optional(above0),
    gPerML: Type.Optional(above0),
    /** What it is dissolved in, where that is not water. */
    solvent: Type.Optional(oneOf(solutionSolventNames)),
  }),
  exact({
    kind: Type.Literal('mass-volume'),
    gPer100ML: Type.Optional(above0),
    gPerML: Type.Optional(above0),
    solvent: Type.Optional(oneOf(solutionSolventNames)),
  }),
  exact({
    kind: Type.Literal('mass-fraction'),
    fraction: Type.Optional(fraction),
    gPerML: Type.Optional(above0),
    source: words(),
  }),
])

const decimals = Type.Integer({ minimum: 0, maximum: 12 })

const anchor = oneBy('of', [
  exact({ of: Type.Literal('mass'), quantity }),
  exact({ of: Type.Literal('volume'), quantity }),
  exact({ of: Type.Literal('amount'), quantity }),
  exact({ of: Type.Literal('ratio'), ratio: above0, decimals }),
  /** Moles per hundred moles of the reference. */
  exact({ of: Type.Literal('mol-percent'), percent: above0, decimals }),
  /** Millilitres per gram of the limiting reagent; per gram of the reference where nothing limits. */
  exact({ of: Type.Literal('per-gram'), mLPerG: above0, decimals }),
  /** A part of the mass of another line: what a mixture holds. */
  exact({ of: Type.Literal('share'), line: id, percent: Type.Number({ exclusiveMinimum: 0, maximum: 100 }), decimals }),
])

export const lineSchema = exact({
  id,
  /** Id of a substance of this plan. */
  substance: id,
  role: oneOf(roles),
  /** Stoichiometric number in the equation; null for what does not stand in it. */
  coefficient: Type.Union([Type.Number({ exclusiveMinimum: 0 }), Type.Null()]),
  form,
  /** Null for products: their amount follows from the extent. */
  anchor: Type.Union([Type.Null(), anchor]),
  /** Id of the device it is measured with. */
  device: Type.Optional(Type.String()),
  /** True where the amount does not change with the scale. */
  fixed: Type.Optional(Type.Boolean()),
  note: Type.Optional(Type.String()),
  /** Title of the preparation of the same course whose product this is. */
  madeIn: Type.Optional(words()),
})

/** A range of fractions, 0 to 1. */
const span = exact({ low: fraction, high: fraction })

const minutes = Type.Number({ minimum: 0 })
/** What it takes at the least and at the most, around what is usual. */
const minutesSpan = exact({ least: minutes, most: minutes })

const workText = Type.String({ maxLength: 400 })

/** What was typed into the planner of an operation: figures, choices and rows of them, each by its field; which there are stands in docs/formats. */
const work = Type.Unsafe<{ of: string; [field: string]: string | number | Record<string, string | number>[] }>({
  type: 'object',
  required: ['of'],
  properties: { of: { type: 'string' } },
  additionalProperties: {
    anyOf: [
      workText,
      Type.Number(),
      Type.Array(Type.Record(Type.String(), Type.Union([workText, Type.Number()])), { maxItems: 40 }),
    ],
  },
})

/** What a person wrote for persons. */
const said = (options?: object) => Type.Unsafe<Words>(Type.String(options))

const base = {
  id,
  /** A few words for the thread of steps. */
  title: said({ minLength: 1 }),
  /** What to do. `{line}` stands for our amount of that line with its name, `{line 8 %}` for that part of it. */
  text: said(),
  /** Usual minutes of work with the hands, and of waiting. */
  handsOnMin: minutes,
  waitMin: minutes,
  /** The same at the least and at the most, where somebody has said it. */
  minutes: Type.Optional(exact({ handsOn: Type.Optional(minutesSpan), wait: Type.Optional(minutesSpan) })),
  /** What the groups share in it and wait for each other at. */
  station: Type.Optional(words(60)),
  /** One can stop after it: what becomes of the material until the work goes on, and for how long at the most it may stand so. */
  safeStop: Type.Optional(exact({ meanwhile: words(400), hours: Type.Optional(above0) })),
  /** How one knows that it is over. */
  until: Type.Optional(said()),
  /** The danger of this operation that matters now. */
  caution: Type.Optional(said()),
  /** A demonstrator signs its last reading. */
  witness: Type.Optional(Type.Boolean()),
  /** The vessel that the work goes on in from here, where it is another one. */
  vessel: Type.Optional(exact({ kind: oneOf(vesselKinds), sizeML: above0 })),
  work: Type.Optional(work),
  /** What the step makes sure of, or what happens in it. */
  says: Type.Optional(Type.Array(oneOf(stepFactKeys), { uniqueItems: true })),
  /** What goes into which waste container here. */
  waste: Type.Optional(
    Type.Array(exact({ into: oneOf(wasteStreams), what: Type.Optional(oneOf(discarded)) }), { uniqueItems: true }),
  ),
}

const stepOf = <K extends string, T extends Record<string, TSchema>>(kind: K, own: T) =>
  exact({ ...base, kind: Type.Literal(kind), ...own })

const operation = Type.Optional(Type.String({ maxLength: 40 }))

/** An operation of the author's own, made of the same parts as the others. It stands whole in each step that it is, so that a frozen plan needs nothing else. */
const ownOperation = exact({
  name: words(60),
  danger: Type.Optional(Type.String({ maxLength: 400 })),
  /** What is said about it in figures, each with its unit and bounds. */
  blanks: Type.Optional(
    Type.Array(
      exact({
        key: Type.String({ maxLength: 40, pattern: '^[a-z][a-zA-Z0-9]*$' }),
        label: words(60),
        unit: Type.String({ maxLength: 12 }),
        least: Type.Number(),
        most: Type.Number(),
      }),
      { maxItems: 12 },
    ),
  ),
  measures: Type.Optional(oneOf(ownMeasures)),
  effect: Type.Optional(oneOf(ownEffects)),
})

/** One step of the procedure; the kind decides which readings are due and when the step is over. */
export const stepSchema = oneBy('kind', [
  stepOf('safety', {}),
  stepOf('assemble', { checks: Type.Array(words(), { minItems: 1 }) }),
  stepOf('charge', {
    line: id,
    measure: oneOf(['mass', 'volume']),
    weighing: Type.Optional(Type.Array(oneOf(['tare', 'difference']), { minItems: 1, uniqueItems: true })),
    container: words(),
    device: words(),
    /** The part of the line that goes in here, above 0 and below 1; absent for all of it. */
    portion: Type.Optional(Type.Number({ exclusiveMinimum: 0, exclusiveMaximum: 1 })),
    /** By what part of the planned amount it may differ before the bench is asked about it; absent where nobody has said it. */
    mayDiffer: Type.Optional(Type.Number({ exclusiveMinimum: 0, maximum: 2 })),
  }),
  stepOf('reflux', { holdMin: above0 }),
  stepOf('hold', { operation, verb: words(), holdMin: above0 }),
  /** Ticked off; `verb` is what its button says. A step without an operation is work of the author's own, which may say its parts itself. */
  stepOf('act', { operation, verb: words(), own: Type.Optional(ownOperation) }),
  /** A safe place to stop; `meanwhile` says what becomes of the material until the work goes on, `endsDay` that it goes on another day. */
  stepOf('pause', { meanwhile: said(), endsDay: Type.Boolean() }),
  stepOf('weigh', { sample: id, container: words(), device: words(), dry: Type.Boolean() }),
  stepOf('crystallise', { from: id, to: id, solvent: id, device: words() }),
  stepOf('dry', { sample: id, container: words(), device: words(), agreement: fraction }),
  stepOf('melt', { sample: id, device: words() }),
])

/**
 * A plan file of version 3: one preparation as a document (docs/formats), the same bytes that the database keeps, that import and export use and that
 * `mozle calc` reads. The types of the program are read from it.
 */
export const planSchema = Type.Object(
  {
    format: Type.Literal('mozle-plan'),
    version: Type.Literal(3),
    title: words(200),
    /** One sentence: what is made, and what the preparation teaches. */
    aim: Type.String({ maxLength: 1000 }),
    substances: Type.Array(substanceSchema),
    lines: Type.Array(lineSchema, { minItems: 1 }),
    /** The line that ratios count from. */
    reference: id,
    /** The product line whose yield is reported, and what a careful group gets of it as fractions of the theoretical yield; absent where nothing is made, and while nobody has said it. */
    mainProduct: Type.Optional(id),
    expectedYield: Type.Optional(span),
    /** What is got back of what was put in, where a preparation isolates or separates; the first stands at the head of a result. */
    recoveries: Type.Optional(
      Type.Array(
        exact({
          /** Name of the sample that is weighed. */
          sample: id,
          /** The line whose substance the sample is. */
          product: id,
          of: id,
          /** Absent while nobody has said it. */
          expected: Type.Optional(span),
        }),
        { minItems: 1 },
      ),
    ),
    /** The sample that is the product; where nobody has said it, the last that is crystallised, or else weighed. */
    product: Type.Optional(id),
    /** What a sample is made of: the line whose substance it is. Samples that are not named are made of what the plan makes. */
    samples: Type.Optional(Type.Array(exact({ name: id, line: id }))),
    /** The results that are wanted, of a sample or of all; none where the list is empty, and all that the steps give where there is no list. */
    wants: Type.Optional(Type.Array(exact({ quantity: words(40), sample: Type.Optional(id) }))),
    /** Where the reaction stops at an equilibrium: its constant in moles, K = [C][D]/([A][B]). */
    equilibrium: Type.Optional(exact({ constant: above0, source: words() })),
    /** What stands above and below the arrow of the scheme. */
    conditions: exact({ above: Type.String(), below: Type.String() }),
    safety: exact({ wear: Type.Array(words()), atHand: Type.Array(words()), ownWords: Type.String() }),
    steps: Type.Array(stepSchema),
    /** Queries that the author has answered; the reason stays on the plan. */
    answers: Type.Array(exact({ query: words(), reason: words() })),
  },
  {
    $schema: 'http://json-schema.org/draft-07/schema#',
    title: 'Mozle plan file, version 3',
    description: 'One preparation as a document; see docs/formats/README.md.',
    additionalProperties: false,
  },
)
