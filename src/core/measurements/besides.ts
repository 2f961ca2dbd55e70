import type { NumberDue } from './due'
import type { NumberTaken, Standing } from './measurement'
import { readingsIn } from './numbers'

export type Beside = 'temperature' | 'heater' | 'pressure'

/** What may be written besides, at any moment while something is heated, cooled, held, added or distilled. */
export const besides: Readonly<
  Record<Beside, NumberTaken & { words: string; due: (standing: readonly Standing[]) => NumberDue }>
> = {
  temperature: {
    unit: '°C',
    least: -200,
    label: 'Temperature',
    words: 'Write a temperature',
    due: (standing) => ({
      kind: 'reading',
      slot: 'temperature',
      label: `Temperature, reading ${readingsIn(standing, 'temperature').length + 1}`,
      hint: 'In the liquid, or of the bath where nothing reaches in.',
      unit: '°C',
      decimals: 0,
    }),
  },
  heater: {
    // Its number on the dial has no unit.
    unit: '',
    label: 'Setting of the heater',
    words: 'Heater’s setting',
    due: () => ({
      kind: 'reading',
      slot: 'heater',
      label: 'Setting of the heater',
      hint: 'The number on its dial or display.',
      unit: '',
      decimals: 0,
    }),
  },
  pressure: {
    unit: 'mmHg',
    most: 1500,
    label: 'Pressure',
    words: 'Write the pressure',
    due: (standing) => ({
      kind: 'reading',
      slot: 'pressure',
      label: `Pressure, reading ${readingsIn(standing, 'pressure').length + 1}`,
      hint: 'What the gauge shows, or the barometer where it is open.',
      unit: 'mmHg',
      decimals: 0,
    }),
  },
}
