import { acetanilide } from '@/test-support/plans'
import { TestLog } from '@/test-support/entries'
import { endsEarly } from './endsEarly'
import { foldRun } from './foldRun'

const stateOf = (log: TestLog, id: string) => foldRun(acetanilide, 1, log.entries).steps.find(({ step }) => step.id === id)!

test('twenty minutes under reflux count from the onset: before sixteen it is asked, from then on not', () => {
  const log = new TestLog()
  log.press('reflux', 'heat-on')
  const onset = Date.parse(log.press('reflux', 'onset').at)
  const asked = (minutes: number) => endsEarly(stateOf(log, 'reflux'), onset + minutes * 60_000)
  expect(asked(3.9)).toBe('It has run 3 of 20 min. Is it over all the same?')
  expect(asked(15.9)).not.toBeNull()
  expect(asked(16)).toBeNull()
})

test('nothing is asked before it began, nor of a step without a time', () => {
  const log = new TestLog()
  log.press('reflux', 'heat-on')
  expect(endsEarly(stateOf(log, 'reflux'), Date.now())).toBeNull()
  expect(endsEarly(stateOf(log, 'charge-aniline'), Date.now())).toBeNull()
})
