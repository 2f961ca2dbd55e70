/** Vessels in which something meets that can hurt: that the author is asked where it first happens, who, what comes of it, and how bad. */
import { queriesOf } from '@/core/query/queries'
import { dangers, inThisOrder, type Danger } from './dangers'
import { harmless } from './harmless'
import { shortPlan } from '@/test-support/matter'
import { oneAfterTheOther } from '@/test-support/vessels'

/** What is asked of a vessel because of who meets in it: step, names and evidence. */
const asked = (vessel: string) => queriesOf(oneAfterTheOther(vessel)).filter(({ id }) => id.startsWith('incompatible-'))

/** True where it is told in its last step what comes of it, as grave as it is. */
function isTold({ vessel, grade, says }: Danger): boolean {
  const last = `s${vessel.split(' + ').length - 1}`
  return asked(vessel).some(
    ({ about, evidence }) => about === last && says.test(evidence) && (grade === 'injures' || evidence.includes('It may kill')),
  )
}

const turned = (vessel: string) => vessel.split(' + ').reverse().join(' + ')

test('at least a hundred and fifty, each by an idea of its own', () => {
  expect(dangers.length).toBeGreaterThanOrEqual(150)
  expect(new Set(dangers.map(({ vessel }) => vessel)).size).toBe(dangers.length)
})

test('none that may kill is missed, and 95 of a hundred of the rest are told', () => {
  const missed = dangers.filter((each) => !isTold(each))
  const words = missed.map(
    ({ vessel, says }) =>
      `${vessel} ${says}: ${asked(vessel)
        .map(({ about, evidence }) => `${about} ${evidence}`)
        .join(' | ')}`,
  )
  expect(words).toEqual([])
})

test('work of every day is silent', () => {
  expect(harmless.length).toBeGreaterThanOrEqual(60)
  const found = harmless.flatMap((vessel) => asked(vessel).map(({ title, evidence }) => `${vessel}: ${title}. ${evidence}`))
  expect(found).toEqual([])
})

test('water into a strong acid is not acid into water', () => {
  expect(inThisOrder.filter((each) => !isTold(each)).map(({ vessel }) => vessel)).toEqual([])
  const found = inThisOrder.flatMap(({ vessel }) => asked(turned(vessel)))
  expect(found.map(({ title, evidence }) => `${title}. ${evidence}`)).toEqual([])
})

test('a millilitre of sulfuric acid in fourteen of an esterification throws nothing when water is put to it', () => {
  const plan = shortPlan(
    {
      alcohol: { of: 'isopentyl alcohol', mL: 5.4 },
      acid: { of: 'acetic acid', mL: 8.5 },
      sulfuric: { of: 'sulfuric acid', mL: 1, form: { kind: 'mass-fraction', fraction: 0.96, gPerML: 1.84, source: 'x' } },
      water: { of: 'water', mL: 40 },
    },
    [
      { op: 'charge', in: '{alcohol}{acid}{sulfuric}' },
      { op: 'add', in: '{water}' },
    ],
  )
  expect(queriesOf(plan).filter(({ id }) => id.startsWith('incompatible-'))).toEqual([])
})

test('whichever of the two is put to the other', () => {
  const two = dangers.filter(({ vessel }) => vessel.split(' + ').length === 2)
  const missed = two.filter((each) => !isTold({ ...each, vessel: turned(each.vessel) }))
  expect(missed.map(({ vessel }) => turned(vessel))).toEqual([])
  const either = harmless.filter((vessel) => vessel !== 'water + sulfuric-acid%96' && vessel.split(' + ').length === 2)
  const found = either.flatMap((vessel) => asked(turned(vessel)))
  expect(found.map(({ title, evidence }) => `${title}. ${evidence}`)).toEqual([])
})

test('what does nothing to either changes nothing, between them or before', () => {
  const two = dangers.filter(({ vessel }) => vessel.split(' + ').length === 2)
  const missed = two.flatMap((each) => {
    const [one, other] = each.vessel.split(' + ')
    return [`${one} + silica + ${other}`, `sodium-sulfate + ${one} + ${other}`].filter((vessel) => !isTold({ ...each, vessel }))
  })
  expect(missed).toEqual([])
})
