import { readFileSync } from 'node:fs'
import path from 'node:path'
import { readPlanFile } from '../format/planFile'
import { changeStep } from '../plan/editPlan'
import { readFromWords, takeAsOwn } from './readFromWords'

const plan = readPlanFile(readFileSync(path.join(__dirname, '../reading/version2/separation.json'), 'utf8'))
const step = (id: string, of = plan) => of.steps.find((each) => each.id === id)!

test('each field that was read is named with its value', () => {
  expect(readFromWords(step('extract-acid'))).toEqual(['portions: 3', 'flask it is drawn into: A', 'the funnel is vented'])
  expect(readFromWords(step('free-acid'))).toEqual(['flask: B', 'pH to reach: 2'])
  expect(readFromWords(step('safety'))).toEqual([])
})

test('a field that is written is read no more; the others still are', () => {
  const work = { ...step('extract-acid').work!, portions: 2 }
  expect(step('extract-acid', changeStep(plan, 'extract-acid', { work })).read).toEqual(['into', 'says'])
  expect(step('extract-acid', changeStep(plan, 'extract-acid', { says: [] })).read).toEqual(['portions', 'into'])
  expect(step('extract-acid', changeStep(plan, 'extract-acid', { title: 'x' })).read).toEqual(['portions', 'into', 'says'])
  expect(step('free-acid', changeStep(plan, 'free-acid', { work: undefined })).read).toBeUndefined()
})

test('taken as one’s own, of one step or of all', () => {
  const one = takeAsOwn(plan, 'extract-acid')
  expect([step('extract-acid', one).read, step('extract-base', one).read]).toEqual([undefined, ['portions', 'into', 'says']])
  expect(takeAsOwn(plan).steps.some(({ read }) => read)).toBe(false)
  expect(takeAsOwn(plan).steps.map(({ work }) => work)).toEqual(plan.steps.map(({ work }) => work))
})
