import { array, boolean, number, object, string, type InferType, type Schema } from 'yup'

/** What is written down while a session is made ready, and about its waste. */
export const recordKinds = ['tick', 'printed', 'spare', 'settled', 'tare', 'waste'] as const
export type RecordKind = (typeof recordKinds)[number]

const amount = (what: string, most: number) =>
  number()
    .typeError(`${what} is a number.`)
    .min(0, `${what} is not less than nothing.`)
    .max(most, `${what} is at most ${most}.`)
    .required(`${what} is wanted.`)

const tick = object({
  done: boolean().required(),
  /** How much was set out, with its unit; what is needed later may be more. */
  issue: amount('What is set out', 1e7),
  unit: string()
    .oneOf(['g', 'mL', 'pieces'] as const)
    .required(),
  from: array(object({ bottle: string().length(26).required(), take: amount('What is taken', 1e6) }).noUnknown())
    .max(40)
    .required(),
}).noUnknown()

const printed = object({
  /** What stood on the paper, by item. */
  issues: array(object({ item: string().max(400).required(), issue: amount('What is set out', 1e7) }).noUnknown())
    .max(500)
    .required(),
}).noUnknown()

const spare = object({
  /** Of what the benches need, how much more is set out. */
  share: number()
    .typeError('The spare is a number of per cent.')
    .min(0, 'The spare lies between 0 and 100 %.')
    .max(1, 'The spare lies between 0 and 100 %.')
    .required('Say how much is spare.'),
}).noUnknown()

const settled = object({
  /** What was left over went back or was thrown away; or what was charged was taken from bottles, where nothing had been set out. */
  how: string()
    .oneOf(['back', 'away', 'charged'] as const)
    .required(),
  moves: array(object({ bottle: string().length(26).required(), amount: amount('What is moved', 1e6) }).noUnknown())
    .max(40)
    .required(),
}).noUnknown()

const tare = object({
  massG: number()
    .typeError('The mass of a vial is a number of grams.')
    .moreThan(0, 'A vial weighs more than nothing.')
    .max(500, 'A vial weighs less than 500 g.')
    .required('The mass of the vial is wanted.'),
  decimals: number().integer().min(0).max(5).required(),
  capped: boolean().required(),
  bench: number().integer().min(1).max(500).nullable().defined(),
  gone: boolean(),
}).noUnknown()

const waste = object({
  /** What came back in the container, L. */
  litres: amount('What came back', 10_000),
  note: string().max(400).defined(),
}).noUnknown()

const bodies = { tick, printed, spare, settled, tare, waste } satisfies Record<RecordKind, Schema>

export type Body<K extends RecordKind> = InferType<(typeof bodies)[K]>

/** One thing written down, with who did it and when; the newest of its item counts. */
export interface StoresRecord<K extends RecordKind = RecordKind> {
  kind: K
  item: string
  body: Body<K>
  at: string
  by: string
}

export const isRecordKind = (kind: unknown): kind is RecordKind => (recordKinds as readonly unknown[]).includes(kind)

/** Checks what is written down. @throws ValidationError that says what is wrong and what would be right */
export const checkedRecord = (kind: RecordKind, body: unknown): Body<RecordKind> =>
  bodies[kind].validateSync(body, { strict: true }) as Body<RecordKind>

/** What is told to a session’s groups, and what there is of each station today where that differs from the room. */
export const dayPlanSchema = object({
  counts: array(
    object({
      name: string().matches(/\S/).max(60).required(),
      count: number()
        .typeError('How many there are is a number.')
        .integer('How many there are is a whole number.')
        .min(0, 'There are between 0 and 200 of it.')
        .max(200, 'There are between 0 and 200 of it.')
        .required(),
    }).noUnknown(),
  )
    .max(30)
    .required(),
  told: array(
    object({
      bench: number().integer().min(1).max(500).required(),
      startMin: number()
        .typeError('A start is a number of minutes.')
        .min(0, 'No group begins before the session.')
        .max(24 * 60, 'A group begins on the same day.')
        .required(),
      /** Steps that this group does while another waits, with that other. */
      moved: array(object({ step: string().max(80).required(), during: string().max(80).required() }).noUnknown())
        .max(40)
        .required(),
    }).noUnknown(),
  )
    .max(500)
    .required(),
}).noUnknown()

export type DayPlan = InferType<typeof dayPlanSchema>

export const noDayPlan: DayPlan = { counts: [], told: [] }
