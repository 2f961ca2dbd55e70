/** Into which container a vessel goes where its step only names them: by what is in it, the more special first. */
import { defaultLab } from '@/core/lab/lab'
import { substancesIn, wasteIn } from '@/core/operations/vessel/wasteIn'
import type { Plan, Step } from '@/core/plan/plan'
import { reactionTable } from '@/core/reaction/reactionTable'
import { shortPlan, type ShortLine } from '@/test-support/matter'

type Streams = NonNullable<Step['waste']>[number]['into'][]
const named: Streams = ['aqueous acid or base', 'other organic', 'halogenated organic', 'oxidiser', 'heavy metal', 'solid']

const away = (lines: Record<string, ShortLine>, streams: Streams = named): Plan =>
  shortPlan(lines, [
    {
      op: 'charge',
      in: Object.keys(lines)
        .map((id) => `{${id}}`)
        .join(''),
    },
    { op: 'dispose', more: { waste: streams.map((into) => ({ into })) } },
  ])
const into = (plan: Plan) => wasteIn(plan, reactionTable(plan), defaultLab).put.map((put) => put.into)

test.each([
  ['dilute nitric acid', { acid: { of: 'nitric acid', mL: 50, form: { kind: 'solution', molPerL: 2 } } }, ['oxidiser']],
  [
    'dilute hydrochloric acid',
    { acid: { of: 'hydrochloric acid', mL: 50, form: { kind: 'solution', molPerL: 2 } } },
    ['aqueous acid or base'],
  ],
  [
    'brine, where none is harmless',
    { salt: { of: 'sodium chloride', mL: 50, form: { kind: 'solution', molPerL: 2 } } },
    ['aqueous acid or base'],
  ],
  ['ether', { ether: { of: 'diethyl ether', mL: 30 } }, ['other organic']],
  // 2.8 of 30 g.
  [
    'ether with a bromide',
    { ether: { of: 'diethyl ether', mL: 38 }, bromide: { of: '1-bromobutane', g: 2.8 } },
    ['halogenated organic'],
  ],
  // Below a hundredth of it.
  [
    'ether with a trace of it',
    { ether: { of: 'diethyl ether', mL: 38 }, bromide: { of: '1-bromobutane', g: 0.2 } },
    ['other organic'],
  ],
  [
    'a copper salt in water',
    { salt: { of: 'copper(II) sulfate pentahydrate', g: 5 }, water: { of: 'water', mL: 50 } },
    ['heavy metal'],
  ],
] as [string, Record<string, ShortLine>, string[]][])('%s', (_what, lines, streams) => expect(into(away(lines))).toEqual(streams))

test('what belongs into none of them stays where it is', () => {
  const plan = away({ ether: { of: 'diethyl ether', mL: 30 } }, ['heavy metal'])
  expect(into(plan)).toEqual([])
})

test('all ions of a salt count for it: 5 g of sodium hydroxide in 95 of water are 5 %', () => {
  const plan = away({ lye: { of: 'sodium hydroxide', g: 5 }, water: { of: 'water', g: 95, form: { kind: 'neat', purity: 1 } } })
  const found = substancesIn(
    plan,
    wasteIn(plan, reactionTable(plan), defaultLab).put.map(({ vessel }) => vessel),
  )
  expect(found.find(({ substance }) => substance.name === 'sodium hydroxide')!.share).toBeCloseTo(0.05, 3)
})
