import { holdingsIn, vesselNamed } from '@/core/matter/state'
import { thingsOf } from '@/core/matter/things'
import { mainResult, productSample, substanceOf, lineOf, type Plan } from '@/core/plan/plan'
import { reactionTable, wholeOf } from '@/core/reaction/reactionTable'
import * as demo from '@/test-support/plans'
import { look } from '@/test-support/matter'

const plans = Object.values(demo).filter((each): each is Plan => typeof each === 'object' && 'steps' in each)
/** A column is followed at total reflux, the best that it can part: that is no expectation of what a group collects. */
const overColumn = ({ steps }: Plan) => steps.some(({ work }) => Number(work?.stages ?? 0) > 0)
const withResult = plans.filter((plan) => mainResult(plan)?.expected !== undefined && !overColumn(plan))

test.each(withResult.map((plan) => [plan.title, plan] as const))(
  '%s: followed through its steps, it ends about where its author expects',
  (_title, plan) => {
    const { product, expected, recovery } = mainResult(plan)!
    const { bench } = look(plan)
    const after = bench()
    const vessel = vesselNamed(after, after.samples[recovery?.sample ?? productSample(plan)]!)!
    const thing = thingsOf(plan).of(substanceOf(plan, lineOf(plan, product)))
    const grams = holdingsIn(vessel).reduce((sum, each) => sum + (each.thing === thing ? each.amount! * thing.gPer : 0), 0)
    const part = grams / wholeOf(plan, reactionTable(plan))!.value
    // Losses are worked out from what is on record, not from what is expected: within a quarter of its span.
    expect(part).toBeGreaterThan(0.75 * expected!.low)
    expect(part).toBeLessThan(1.25 * expected!.high)
  },
)
