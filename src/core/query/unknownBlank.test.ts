import { acetanilide } from '@/test-support/plans'
import { changeStep } from '../plan/editPlan'
import { queriesOf } from './queries'

const found = (text: string) =>
  queriesOf(changeStep(acetanilide, 'reflux', { text })).filter(({ id }) => id.startsWith('unknown-blank-'))

test('a blank that the step has is no query; one that it has not is, with those that it has', () => {
  expect(found('Hold it for {@holdMin} at {@boilC}.')).toEqual([])
  expect(found('Hold it for {@hours}.')).toMatchObject([
    { id: 'unknown-blank-reflux-hours', about: 'reflux', evidence: expect.stringMatching(/\{@hours\}.*\{@holdMin\}/) as string },
  ])
  expect(found('Heat it.')).toEqual([])
})
