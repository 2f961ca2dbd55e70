import { object, string } from 'yup'
import { writeNumber } from '../quantity/write'
import { capital } from '../words/capital'
import { asked, decimals, finite, measurement } from './measurement'

/** The slots of a reading, each with its unit. */
const units = {
  full: 'g',
  empty: 'g',
  tared: 'g',
  net: 'g',
  volume: 'mL',
  portion: 'mL',
  temperature: '°C',
  /** Its number on the dial has no unit. */
  heater: '',
  pH: '',
  'burette before': 'mL',
  'burette after': 'mL',
  flask: 'mL',
} as const

export type Slot = keyof typeof units

/** One number from one device. */
export const reading = measurement({
  schema: object({
    slot: string()
      .oneOf(Object.keys(units) as Slot[])
      .required(),
    value: finite
      .max(100_000)
      .when('slot', {
        is: 'temperature',
        then: (schema) => schema.min(-200, 'a temperature below −200 °C is no reading of this bench'),
        otherwise: (schema) => schema.min(0, 'a reading cannot be negative'),
      })
      .when('slot', { is: 'pH', then: (schema) => schema.max(14, 'a pH read here lies between 0 and 14') }),
    unit: string()
      .oneOf(['g', 'mL', '°C', ''] as const)
      .defined(),
    decimals,
    /** How the mass is being taken, and in what state the container stood on the balance. */
    weighing: object({
      method: string()
        .oneOf(['tare', 'difference'] as const)
        .required(),
      closure: string()
        .oneOf(['with cap', 'without cap'] as const)
        .optional(),
    })
      .noUnknown()
      .default(undefined)
      .optional(),
    /** The question the program asked about this number, where the group kept it all the same. */
    asked,
  }),
  shown: true,
  refuses: ({ slot, unit }, { slots }) => {
    if (!slots.includes(slot)) return `reading “${slot}”`
    return unit === units[slot] ? null : `reading “${slot}” in ${unit || 'no unit'}, which is in ${units[slot] || 'no unit'}`
  },
  label: ({ slot, weighing }, step) => {
    const container = 'container' in step ? capital(step.container) : ''
    const closure = weighing?.closure ? `, ${weighing.closure}` : ''
    const names: Record<Slot, string> = {
      full: `${container} with contents${closure}`,
      empty: `${container} empty${closure}`,
      tared: `${container} on, tared`,
      net: 'Shown after taring',
      portion: 'Hot solvent, a portion',
      temperature: 'Temperature',
      heater: 'Setting of the heater',
      volume: step.kind === 'crystallise' ? 'Hot solvent used' : 'Volume',
      pH: 'pH',
      'burette before': 'Burette before',
      'burette after': 'Burette after',
      flask: 'Made up to',
    }
    return names[slot]
  },
  value: (body) => `${writeNumber(body.value, body.decimals)} ${body.unit}`.trim(),
})
