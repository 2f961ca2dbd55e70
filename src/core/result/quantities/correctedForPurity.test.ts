import { TestLog } from '@/test-support/entries'
import { fractionation, isopentylAcetate } from '@/test-support/plans'
import { foldRun } from '../../run/foldRun'
import { runResults } from '../runResults'

const ester = (purity?: number) => {
  const log = new TestLog()
  log.reading('charge-alcohol', 'tared', 0, 3)
  log.reading('charge-alcohol', 'net', 4.4, 3)
  log.reading('weigh', 'tared', 0)
  log.reading('weigh', 'net', 4.1)
  if (purity !== undefined) log.add('vial', 'purity', { percent: purity, decimals: 1, by: 'gas chromatography' })
  return runResults(foldRun(isopentylAcetate, 1, log.entries)).outcomes
}

test('4.1 g of 80.0 % ester count as 3.28 g: the yield times 0.8, of theory, with both its weighings and its purity as evidence', () => {
  const [plain] = ester(80).filter(({ quantity }) => quantity === 'yield')
  const [pure] = ester(80).filter(({ quantity }) => quantity === 'corrected for purity')
  expect(pure!.figure!.value).toBeCloseTo(plain!.figure!.value * 0.8, 9)
  expect(pure!.mass!.value).toBeCloseTo(3.28, 9)
  expect(pure!.from).toBe('theory')
  expect(pure!.evidence).toHaveLength(plain!.evidence.length + 1)
})

test('without a purity there is none, and a recovery stays one of what was put in', () => {
  expect(ester().filter(({ quantity }) => quantity === 'corrected for purity')).toEqual([])
  const log = new TestLog()
  const asked = runResults(foldRun(fractionation, 1, log.entries))
  expect(asked.outcomes).toEqual([])
})
