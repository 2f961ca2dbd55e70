import { boolean, number, object, string } from 'yup'
import { roles } from './rights'

export const nameSchema = string().trim().required('Write the name.').max(120, 'A name has 120 letters at the most.')

export const signInSchema = string()
  .trim()
  .required('Choose a name to sign in with.')
  .matches(
    /^[a-zA-Z0-9][a-zA-Z0-9._-]{1,59}$/,
    'A name to sign in with has 2 to 60 letters, digits, points or dashes, such as m.weber.',
  )

/** NIST SP 800-63B: length counts, and nothing is asked of the kinds of signs. */
export const passwordSchema = string()
  .required('Choose a password.')
  .min(10, 'A password has ten signs at least; a few words in a row are easy to keep in mind.')
  .max(200, 'A password has 200 signs at the most.')

const zones = new Set(Intl.supportedValuesOf('timeZone'))

const zoneSchema = string()
  .required('Choose the zone of the laboratory’s clock.')
  .test('zone', 'There is no such time zone.', (zone) => zones.has(zone ?? '') || zone === 'UTC')

export const roleSchema = string().oneOf(roles, 'A role is owner, demonstrator, stores or reader.').required()

/** How words and units are written. */
export const wordsSchema = object({
  volume: string()
    .oneOf(['mL', 'cm³'] as const)
    .required(),
  names: string()
    .oneOf(['usual', 'systematic'] as const)
    .required(),
  sulfur: string()
    .oneOf(['sulfur', 'sulphur'] as const)
    .required(),
})

export const collegeSchema = object({
  words: wordsSchema.required(),
  title: string().trim().required('Write what the college is called.').max(120),
  zone: zoneSchema,
  keepNamesMonths: number()
    .integer()
    .min(0)
    .max(120, 'Names are kept for 120 months at the most; 0 keeps them for good.')
    .required(),
})

export const beginningSchema = object({
  college: string().trim().required('Write what the college is called.').max(120),
  zone: zoneSchema,
  words: wordsSchema.required(),
  name: nameSchema,
  signIn: signInSchema,
  password: passwordSchema,
})

export const administratorSchema = object({ administrator: boolean().required() })

export const termSchema = string().trim().max(60, 'A term has 60 letters at the most.').defined()
export const titleSchema = string().trim().required('Write what the course is called.').max(120)
export const sectionNameSchema = string()
  .trim()
  .required('Write what the section is called.')
  .max(60, 'A section’s name has 60 letters at the most.')
