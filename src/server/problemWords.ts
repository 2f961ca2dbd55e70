import type { ValidationError } from 'yup'

/** What a field of a request is called on the screens, by the last name of its path. */
const names: Readonly<Record<string, string>> = {
  startsAt: 'start',
  endsAt: 'end',
  signIn: 'sign-in name',
  molPerL: 'strength in mol/L',
  gPer100ML: 'strength in g in 100 mL',
  sizeL: 'size in L',
  trueC: 'true temperature',
  readC: 'temperature read',
  checkedOn: 'day of the check',
  openedOn: 'day it was opened',
  expiresOn: 'day it expires',
  peroxideTestBy: 'day of the next peroxide test',
  graceMin: 'minutes of grace',
  runs: 'benches',
  revision: 'preparation',
}

/** `day 2: room` for `days[1].room`. */
function placeOf(path: string): string {
  const parts = path.match(/[^.[\]"]+/g) ?? []
  const words = parts.flatMap((part, index) => {
    if (/^\d+$/.test(part)) return []
    const next = parts[index + 1]
    const name = names[part] ?? part.replace(/([a-z])([A-Z])/g, '$1 $2').toLowerCase()
    return next !== undefined && /^\d+$/.test(next) ? [`${name.replace(/s$/, '')} ${Number(next) + 1}`] : [name]
  })
  const shown = [...words.slice(0, -1).filter((word) => /\d$/.test(word)), words.at(-1) ?? ''].join(': ')
  return shown.charAt(0).toUpperCase() + shown.slice(1)
}

const kinds: Readonly<Record<string, string>> = {
  string: 'text',
  number: 'a number',
  boolean: 'yes or no',
  date: 'a day and a time',
  array: 'a list',
  object: 'several fields together',
}

/**
 * What a request is refused for, in words. Where the schema has words of its own for it, those; what Yup would say itself ("days[0].room must be a trimmed string") is said of the field as
 * people know it, with what would be right.
 */
export function problemWords({ message, path = '', type, params = {}, value: whole }: ValidationError): string {
  if (!message.startsWith(`${path || 'this'} `)) return message
  const field = placeOf(path) || 'The request'
  // What the error holds is the whole request; its field is what was asked about.
  const given = params.value ?? (whole !== null && typeof whole === 'object' ? undefined : whole)
  const text = typeof given === 'string'
  const [least, most] = [Number(params.min ?? params.length), Number(params.max ?? params.length)]
  switch (type) {
    case 'optionality':
    case 'required':
    case 'defined':
    case 'nullable':
      return `${field} is missing.`
    case 'typeError':
      return `${field} must be ${kinds[String(params.type)] ?? String(params.type)}.`
    case 'trim':
      return `${field} begins or ends with a space. Remove it.`
    case 'min':
      return Array.isArray(given)
        ? `${field} needs at least ${least}.`
        : `${field} must ${text ? `have at least ${least} characters` : `be at least ${least}`}.`
    case 'max':
      return Array.isArray(given)
        ? `${field} may have at most ${most}.`
        : `${field} must ${text ? `have at most ${most} characters` : `be at most ${most}`}.`
    case 'length':
      return `${field} must have exactly ${least} ${text ? 'characters' : 'entries'}.`
    case 'integer':
      return `${field} must be a whole number.`
    case 'oneOf':
      return `${field} must be one of: ${String(params.values)}.`
    case 'email':
      return `${field} must be an e-mail address, such as name@college.example.`
    case 'noUnknown':
      return `${field} holds something that is not known here: ${String(params.unknown)}.`
    default:
      return `${field} cannot be ${given === undefined ? 'left out' : `“${String(given).slice(0, 60)}”`}.`
  }
}
