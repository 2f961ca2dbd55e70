import { writeNumber } from '../quantity/write'
import { besides } from './besides'
import { hotSolvent } from './hotSolvent'
import { madeUp } from './madeUp'
import { mass } from './mass'
import { entered, type NumberTaken } from './measurement'
import { pH } from './pH'
import { titre } from './titre'
import { volume } from './volume'

/** Every number that some measurement takes, by its slot. */
const numbers: Readonly<Record<string, NumberTaken>> = {
  ...mass.numbers,
  ...volume.numbers,
  portion: hotSolvent.numbers!.portion!,
  ...besides,
  ...pH.numbers,
  ...titre.numbers,
  ...madeUp.numbers,
}

const most = 100_000

/** One number from one device. */
export const reading = entered({
  schema: ({ object, string, finite, decimals, asked }) =>
    object({
      slot: string().oneOf(Object.keys(numbers)).required(),
      value: finite.max(most).test({
        name: 'within',
        test(value) {
          const taken = numbers[(this.parent as { slot: string }).slot]
          const least = taken?.least ?? 0
          if (value < least)
            return this.createError({
              message: least < 0 ? `a temperature below ${least} °C is no reading of this bench` : 'a reading cannot be negative',
            })
          return value <= (taken?.most ?? most) || this.createError({ message: `it lies between ${least} and ${taken!.most!}` })
        },
      }),
      unit: string()
        .oneOf(['g', 'mL', '°C', 'mmHg', ''] as const)
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
      asked,
    }),
  shown: true,
  refused: ({ slot, unit }) =>
    `reading “${slot}”${unit === numbers[slot]?.unit ? '' : ` in ${unit || 'no unit'}, which is in ${numbers[slot]?.unit || 'no unit'}`}`,
  label: ({ slot, weighing }, step) => {
    const label = numbers[slot]?.label ?? slot
    return typeof label === 'string' ? label : label(step, weighing?.closure ? `, ${weighing.closure}` : '')
  },
  value: (body) => `${writeNumber(body.value, body.decimals)} ${body.unit}`.trim(),
})
