import { array, mixed, number, object, string, ValidationError, type ObjectSchema } from 'yup'
import type { Entry, EntryBodies, EntryKind } from './entry'

const id = string()
  .matches(/^[0-9A-HJKMNP-TV-Z]{26}$/, '${path} must be a ULID')
  .required()
const finite = number().strict().required()
const decimals = number().strict().integer().min(0).max(6).required()
const empty = object({}).noUnknown().strict()

const bodies: { [K in EntryKind]: ObjectSchema<object> } = {
  reading: object({
    slot: string().oneOf(['full', 'empty', 'tared', 'net', 'volume', 'portion', 'temperature', 'heater']).required(),
    value: finite.max(100_000).when('slot', {
      is: 'temperature',
      then: (schema) => schema.min(-200, 'a temperature below −200 °C is no reading of this bench'),
      otherwise: (schema) => schema.min(0, 'a reading cannot be negative'),
    }),
    unit: string().oneOf(['g', 'mL', '°C', '']).defined(),
    decimals,
    weighing: object({
      method: string().oneOf(['tare', 'difference']).required(),
      closure: string().oneOf(['with cap', 'without cap']).optional(),
    })
      .noUnknown()
      .default(undefined)
      .optional(),
    asked: string().max(500).optional(),
  }),
  melting: object({
    onsetC: finite.min(-100).max(500),
    clearC: finite
      .min(-100)
      .max(500)
      .test('after-onset', 'the clear point cannot lie below the onset', function (value) {
        return value >= (this.parent as { onsetC: number }).onsetC
      }),
    decimals,
    asked: string().max(500).optional(),
    instrument: object({
      name: string().min(1).max(80).required(),
      offsetC: finite.min(-100).max(100),
      slope: finite.min(0.5).max(2),
    })
      .noUnknown()
      .default(undefined)
      .optional(),
  }),
  head: object({
    volumeML: finite.min(0).max(100_000),
    volumeDecimals: decimals,
    headC: finite.min(-100).max(500),
    decimals,
    asked: string().max(500).optional(),
  }),
  window: object({
    lowC: finite.min(-100).max(500),
    highC: finite
      .min(-100)
      .max(500)
      .test('above-low', 'the window ends above where it begins', function (value) {
        return value > (this.parent as { lowC: number }).lowC
      }),
  }),
  press: object({ mark: string().oneOf(['heat-on', 'onset', 'heat-off', 'start', 'dissolved']).required() }),
  tube: object({
    tube: string().min(1).max(80).required(),
    event: string().oneOf(['start', 'warm', 'sign', 'none']).required(),
  }),
  note: object({ slot: string().min(1).max(40).required(), text: string().trim().min(1).max(200).required() }),
  done: empty,
  signature: object({ covers: array(id).min(1, 'a signature covers at least one reading').required() }),
  strike: empty,
}

/** A clock is not off by more than a server can note. */
const longestMs = 2_000_000_000

/** A day of the calendar and a time of the day, in the years that a database can hold and a laboratory may have. */
const isMoment = (text: string) => {
  const at = new Date(text)
  return !Number.isNaN(at.getTime()) && at.toISOString().slice(0, 19) === text.slice(0, 19) && /^20\d\d/.test(text)
}

const envelope = object({
  id,
  kind: mixed<EntryKind>()
    .oneOf(Object.keys(bodies) as EntryKind[])
    .required(),
  step: string().min(1).max(80).required(),
  body: mixed<EntryBodies[EntryKind]>().required(),
  at: string()
    .matches(/^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}:\d{2}(\.\d{1,3})?Z$/, '${path} must be a UTC time')
    .test('exists', '${path} must be a moment of the years 2000 to 2099', (text) => isMoment(text ?? ''))
    .required(),
  by: string().matches(/\S/, '${path} is empty').max(80).required(),
  device: string().min(1).max(80).required(),
  supersedes: id.nullable().notRequired(),
  reason: string().max(500).nullable().notRequired(),
  seen: id.notRequired(),
  clockMs: number().strict().integer().min(-longestMs).max(longestMs).notRequired(),
}).noUnknown()

/**
 * Checks one entry as it came from outside, kind by kind. A correction needs a reason.
 * @throws ValidationError that names the field and what would be right.
 */
export function entrySchema(value: unknown): Entry {
  const entry = envelope.validateSync(value, { strict: true })
  const body = bodies[entry.kind].noUnknown().validateSync(entry.body, { strict: true })
  const corrects = entry.supersedes !== null && entry.supersedes !== undefined
  const reason = entry.reason?.trim() || null
  if (corrects && !reason) throw new ValidationError('a correction needs a reason')
  if (entry.kind === 'window' && !reason) throw new ValidationError('a wider window needs a reason')
  if (entry.kind === 'strike' && !corrects) throw new ValidationError('a strike names the entry it strikes')
  return { ...entry, supersedes: entry.supersedes ?? null, reason, body } as unknown as Entry
}
