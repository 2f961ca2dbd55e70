import { mixed, number, object, string, ValidationError } from 'yup'
import { kit } from '../measurements/kit'
import { entryKinds, reasonNeeded, schemaOf, type EntryBodies, type EntryKind } from '../measurements/registry'
import type { Entry } from './entry'

const id = string()
  .matches(/^[0-9A-HJKMNP-TV-Z]{26}$/, '${path} must be a ULID')
  .required()
/** A clock is not off by more than a server can note. */
const longestMs = 2_000_000_000

/** A day of the calendar and a time of the day, in the years that a database can hold and a laboratory may have. */
const isMoment = (text: string) => {
  const at = new Date(text)
  const [year, isDay] = [at.getUTCFullYear(), !Number.isNaN(at.getTime())]
  return isDay && year >= 2000 && year < 2100 && at.toISOString().slice(0, 19) === text.slice(0, 19)
}

const envelope = object({
  id,
  kind: mixed<EntryKind>().oneOf(entryKinds).required(),
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
  const body = schemaOf(entry.kind)(kit).noUnknown().validateSync(entry.body, { strict: true })
  const corrects = entry.supersedes !== null && entry.supersedes !== undefined
  const reason = entry.reason?.trim() || null
  if (corrects && !reason) throw new ValidationError('a correction needs a reason')
  const needed = reasonNeeded(entry.kind)
  if (needed && !reason) throw new ValidationError(needed)
  if (entry.kind === 'strike' && !corrects) throw new ValidationError('a strike names the entry it strikes')
  return { ...entry, supersedes: entry.supersedes ?? null, reason, body } as unknown as Entry
}
