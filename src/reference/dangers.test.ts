/** Vessels in which something meets that can hurt: that the author is asked where it first happens, who, what comes of it, and how bad. */
import { queriesOf } from '@/core/query/queries'
import { dangers, type Danger } from './dangers'
import { oneAfterTheOther } from './poured'

/** What is asked of a vessel because of who meets in it: step, names and evidence. */
const asked = (vessel: string) => queriesOf(oneAfterTheOther(vessel)).filter(({ id }) => id.startsWith('incompatible-'))

/** True where it is told in its last step what comes of it, as grave as it is. */
function isTold({ vessel, grade, says }: Danger): boolean {
  const last = `s${vessel.split(' + ').length - 1}`
  return asked(vessel).some(
    ({ about, evidence }) => about === last && says.test(evidence) && (grade === 'injures' || evidence.includes('It may kill')),
  )
}

test('at least a hundred and fifty, each by an idea of its own', () => {
  expect(dangers.length).toBeGreaterThanOrEqual(150)
  expect(new Set(dangers.map(({ vessel }) => vessel)).size).toBe(dangers.length)
})

test('what is not told yet only falls', () => {
  const missed = dangers.filter((each) => !isTold(each))
  expect(missed.length).toBeLessThanOrEqual(126)
})
