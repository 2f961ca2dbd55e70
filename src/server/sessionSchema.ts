import { array, number, object, string } from 'yup'

const moment = string()
  .matches(/^20\d{2}-\d{2}-\d{2}T\d{2}:\d{2}(:\d{2}(\.\d+)?)?Z$/, 'Give the time as a date and a time.')
  .test('exists', 'There is no such day or time.', (text) => {
    const at = new Date(text ?? '')
    return !Number.isNaN(at.getTime()) && at.toISOString().slice(0, 16) === text!.slice(0, 16)
  })
  .required()

/** One day of a session. */
export const daySchema = object({
  startsAt: moment,
  endsAt: moment,
  room: string().trim().required('Say which room.').max(120),
})

export const daysSchema = array(daySchema.required())
  .min(1, 'Give the day of the session.')
  .max(12, 'A preparation goes on over twelve days at the most.')
  .required()

const scaleSchema = number()
  .min(0.05, 'A scale below 0.05 cannot be measured out.')
  .max(20, 'A scale above 20 is not a bench preparation.')
  .required()

const id = () => string().required().max(40)

export const groupSchema = object({ group: id(), scale: scaleSchema })

export const setSchema = object({
  section: id(),
  revision: id(),
  days: daysSchema,
  groups: array(groupSchema.required()).min(1, 'Choose at least one group.').max(60).required(),
})

export const checkSchema = setSchema.omit(['groups'])

/** A day for some benches of a session. */
export const benchesDaySchema = daySchema.shape({ runs: array(id()).max(60).required() })

export const reasonSchema = object({
  reason: string().trim().required('Say why, for those who had it in their calendar.').max(200),
})
