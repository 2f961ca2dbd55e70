import { array, number, object, string, type ObjectSchema } from 'yup'
import { pressureBounds, type Lab, type PressureWay } from './lab'
import { wasteStreams } from '../substance/lists'
import { schools } from './schools'

const oneOf = <K extends (typeof schools)[number]['setting']>(setting: K) =>
  string()
    .oneOf(schools.find((school) => school.setting === setting)!.ways.map(({ value }) => value as Lab[K]))
    .required()

const celsius = (what: string) =>
  number()
    .typeError(`${what} is a temperature in °C.`)
    .min(-50, `${what} lies between −50 and 500 °C.`)
    .max(500, `${what} lies between −50 and 500 °C.`)
    .required(`${what} is wanted.`)

/** Checks what is said about a laboratory. @throws ValidationError that says what is wrong and what would be right */
export const labSchema: ObjectSchema<Lab> = object({
  pressure: object({
    by: string()
      .oneOf(Object.keys(pressureBounds) as PressureWay[])
      .required(),
    value: number()
      .typeError('The pressure is a number.')
      .required('The pressure is wanted.')
      .test('within', function (value) {
        const bounds = pressureBounds[(this.parent as Lab['pressure']).by]
        if (!bounds || (value >= bounds.least && value <= bounds.most)) return true
        return this.createError({ message: `A laboratory lies between ${bounds.least} and ${bounds.most} ${bounds.unit}.` })
      }),
  }).required(),
  emergency: object({
    number: string().max(80, 'An emergency number has at most 80 characters.').defined(),
    eyewash: string().max(120, 'A place has at most 120 characters.').defined(),
    firstAid: string().max(120, 'A place has at most 120 characters.').defined(),
  }).required(),
  simpleFromK: number().min(20, 'Between 20 and 150 °C.').max(150, 'Between 20 and 150 °C.').required(),
  crystallisationVolume: oneOf('crystallisationVolume'),
  layersOut: oneOf('layersOut'),
  dryingAgent: oneOf('dryingAgent'),
  gas: oneOf('gas'),
  harmlessWater: oneOf('harmlessWater'),
  graceMin: number()
    .typeError('The minutes after a session are a number.')
    .integer('The minutes after a session are a whole number.')
    .min(0, 'Between 0 and 720 min after the end of a session.')
    .max(720, 'Between 0 and 720 min after the end of a session.')
    .required('Say how long benches still write after a session.'),
  instruments: array(
    object({
      id: string().min(1).max(40).required(),
      name: string().matches(/\S/, 'An apparatus has a name.').max(80).required(),
      checkedOn: string()
        .matches(/^\d{4}-\d{2}-\d{2}$/, 'The day of the check is written as 2026-09-14.')
        .test('exists', 'There is no such day; it is written as 2026-09-14.', (day) => {
          const at = new Date(`${day}T00:00:00Z`)
          return !Number.isNaN(at.getTime()) && at.toISOString().startsWith(day!)
        })
        .required(),
      standards: array(
        object({
          name: string().matches(/\S/, 'A standard has a name.').max(80).required(),
          trueC: celsius('The melting point of a standard'),
          readC: celsius('What was read'),
        }).noUnknown(),
      )
        .max(12)
        .required(),
    }).noUnknown(),
  )
    .max(12)
    .required(),
  rooms: array(
    object({
      name: string().matches(/\S/, 'A room has a name.').max(80).required(),
      stations: array(
        object({
          name: string().matches(/\S/, 'What is shared has a name.').max(60).required(),
          count: number()
            .typeError('How many there are is a number.')
            .integer('How many there are is a whole number.')
            .min(0, 'There are between 0 and 200 of it.')
            .max(200, 'There are between 0 and 200 of it.')
            .required('Say how many there are.'),
        }).noUnknown(),
      )
        .max(30)
        .required(),
      waste: array(
        object({
          stream: string()
            .oneOf([...wasteStreams])
            .required(),
          place: string().max(80).defined(),
          sizeL: number()
            .typeError('The size of a container is a number of litres.')
            .moreThan(0, 'A container holds more than nothing.')
            .max(1000, 'A container holds at most 1,000 L.')
            .required('Say how much the container holds.'),
        }).noUnknown(),
      )
        .max(20)
        .required(),
    }).noUnknown(),
  )
    .max(20)
    .required(),
}).noUnknown()
