import { isopentylAcetate } from '@/test-support/plans'
import type { Plan } from '../plan/plan'
import { roundToDevices } from './roundToDevices'

/** The esterification with its two reactants by mass from balances: so many grams of each, of one that shows tenths of a milligram or hundredths. */
const weighed = (alcoholG: number, acidG: number, device: string): Plan => ({
  ...isopentylAcetate,
  lines: isopentylAcetate.lines.map((line) => {
    const grams = { alcohol: alcoholG, acid: acidG }[line.id]
    return grams === undefined
      ? line
      : { ...line, device, anchor: { of: 'mass' as const, quantity: { value: grams, unit: 'g' as const, decimals: 4 } } }
  }),
})

test('rounding that makes another reactant set the limit is said, with both; rounding that does not is not', () => {
  // Purities 98 and 100 %: 0.1145 g of alcohol are 1.273 mmol, 0.0770 g of acid 1.282. Rounded to 0.11 and 0.08 g the alcohol limits as before.
  expect(roundToDevices(weighed(0.1145, 0.077, 'balance-0.01')).limit).toBeNull()
  // 0.1149 g are 1.277 mmol and 0.0764 g 1.272: the acid limits; at 0.11 and 0.08 g, 1.223 and 1.332 mmol, the alcohol does.
  expect(roundToDevices(weighed(0.1149, 0.0764, 'balance-0.01')).limit).toEqual({ before: ['acid'], after: ['alcohol'] })
  expect(roundToDevices(weighed(0.1149, 0.0764, 'balance-0.0001')).limit).toBeNull()
})
