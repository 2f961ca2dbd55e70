import { firstAidFor } from '@/reference/firstAid'
import { acetanilide } from '@/test-support/plans'
import { aidAbout } from './aidAbout'

test('an incident of an earlier kind shows what holds for anything else, and never nothing', () => {
  const aid = firstAidFor(acetanilide)
  expect(aidAbout(aid, 'cut')).toBe(aid.cut)
  expect(aidAbout(aid, 'burn')).toEqual(aid['something else'])
  expect(aidAbout(aid, 'burn').length).toBeGreaterThan(0)
})
