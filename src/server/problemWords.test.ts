import { array, boolean, number, object, string, type ValidationError } from 'yup'
import { problemWords } from './problemWords'
import { setSchema } from './sessionSchema'

const refused = (schema: { validateSync: (value: unknown, options: object) => unknown }, value: unknown): string => {
  try {
    schema.validateSync(value, { strict: true, abortEarly: true })
  } catch (error) {
    return problemWords(error as ValidationError)
  }
  return 'taken'
}

const day = { startsAt: '2026-12-01T13:30:00Z', endsAt: '2026-12-01T17:30:00Z', room: 'North lab' }
const session = (part: object) => ({ section: 's', revision: 'r', days: [day], groups: [{ group: 'g', scale: 1 }], ...part })

test.each([
  [{ days: [{ ...day, room: ' North lab' }] }, 'Day 1: room begins or ends with a space. Remove it.'],
  [{ days: [day, { ...day, room: '' }] }, 'Say which room.'],
  [{ days: [day, { ...day, room: undefined }] }, 'Say which room.'],
  [{ days: [day, { ...day, room: 7 }] }, 'Day 2: room must be text.'],
  [{ days: [{ ...day, room: 'x'.repeat(121) }] }, 'Day 1: room must have at most 120 characters.'],
  [{ days: [{ ...day, startsAt: undefined }] }, 'Day 1: start is missing.'],
  [{ section: undefined }, 'Section is missing.'],
  [{ groups: [{ group: 'g', scale: 'abc' }] }, 'Group 1: scale must be a number.'],
  [{ groups: 'all' }, 'Groups must be a list.'],
  [{}, 'taken'],
])('a session with %j: %s', (part, words) => expect(refused(setSchema, session(part))).toBe(words))

test.each([
  [object({ count: number().integer() }), { count: 1.5 }, 'Count must be a whole number.'],
  [object({ count: number().min(2) }), { count: 1 }, 'Count must be at least 2.'],
  [object({ names: array(string()).min(2) }), { names: ['a'] }, 'Names needs at least 2.'],
  [object({ way: string().oneOf(['a', 'b']) }), { way: 'c' }, 'Way must be one of: a, b.'],
  [object({ mail: string().email() }), { mail: 'nobody' }, 'Mail must be an e-mail address, such as name@college.example.'],
  [object({ done: boolean().required() }), { done: 'yes' }, 'Done must be yes or no.'],
  [object({ signIn: string().matches(/^a/) }), { signIn: 'b' }, 'Sign-in name cannot be “b”.'],
  [object({}).noUnknown(), { more: 1 }, 'The request holds something that is not known here: more.'],
  [object({ a: string() }), 5, 'The request must be several fields together.'],
])('%#: what a schema has no words for is said of the field', (schema, value, words) =>
  expect(refused(schema, value)).toBe(words),
)
