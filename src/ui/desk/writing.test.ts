/** Whatever a person does at the Desk, the plan stays a plan, and every change can be taken back. */
import { often } from '@/test-support/often'
import fc from 'fast-check'
import { patched, changeBetween } from './change'
import { plans } from '@/demo/plans'
import { forPlan, substanceRecords } from '@/reference/records'
import { checkPlan, readPlanFile, writePlanFile } from '@/core/format/planFile'
import { tableCsv } from '@/core/format/tableCsv'
import { queriesOf } from '@/core/query/queries'
import { editLine } from '@/core/edit/editLine'
import { reactionTable } from '@/core/reaction/reactionTable'
import { roundToDevices } from '@/core/reaction/roundToDevices'
import { scalePlan } from '@/core/edit/scalePlan'
import { comparePlans } from '@/core/edit/comparePlans'
import { addLine, changeLine, changeStep, moveLine, moveStep, removeLine, removeStep } from '@/core/plan/editPlan'
import { addStep } from '@/core/edit/addStep'
import { operations, type OperationKey } from '@/core/operations/registry'
import { type Plan } from '@/core/plan/plan'
import { roles } from '@/core/plan/lists'
import { safetySheet } from '@/core/safety/safetySheet'
import { stepTextPlain } from '@/core/reaction/stepText'

type Deed = (plan: Plan) => Plan

const at = <T>(items: readonly T[], index: number): T => items[index % items.length]!
const index = fc.nat(1000)

/** The plan after a change that may be refused; refused, it stays as it is. */
const kept = (plan: Plan, read: { ok: true; value: Plan } | { ok: false; problem: string }): Plan => {
  if (!read.ok) expect(read.problem).toMatch(/[.?]$/)
  return read.ok ? read.value : plan
}

const deeds: fc.Arbitrary<Deed> = fc.oneof(
  fc.tuple(index, fc.constantFrom(...roles)).map(
    ([which, role]): Deed =>
      (plan) =>
        addLine(plan, forPlan(at(substanceRecords, which)), role),
  ),
  index.map(
    (which): Deed =>
      (plan) =>
        kept(plan, removeLine(plan, at(plan.lines, which).id)),
  ),
  fc.tuple(index, index).map(
    ([which, to]): Deed =>
      (plan) =>
        moveLine(plan, at(plan.lines, which).id, to % 12),
  ),
  fc.tuple(index, fc.constantFrom(...roles)).map(
    ([which, role]): Deed =>
      (plan) =>
        kept(plan, changeLine(plan, at(plan.lines, which).id, { role })),
  ),
  fc
    .tuple(
      index,
      fc.constantFrom('1.50 g', '250 mg', '4.0 mL', '12 mmol', '-1 g', 'much'),
      fc.constantFrom('mass', 'volume', 'amount'),
    )
    .map(
      ([which, text, column]): Deed =>
        (plan) =>
          kept(plan, editLine(plan, at(plan.lines, which).id, column as 'mass', text)),
    ),
  fc.constantFrom(...(Object.keys(operations) as OperationKey[])).map(
    (key): Deed =>
      (plan) =>
        addStep(plan, key).plan,
  ),
  index.map(
    (which): Deed =>
      (plan) =>
        plan.steps.length > 1 ? removeStep(plan, at(plan.steps, which).id) : plan,
  ),
  fc.tuple(index, index).map(
    ([which, to]): Deed =>
      (plan) =>
        moveStep(plan, at(plan.steps, which).id, to % 20),
  ),
  fc.tuple(index, index).map(
    ([which, line]): Deed =>
      (plan) =>
        changeStep(plan, at(plan.steps, which).id, { text: `Add {${at(plan.lines, line).id}}.` }),
  ),
  fc.constantFrom(0.5, 2, 3).map(
    (factor): Deed =>
      (plan) =>
        scalePlan(plan, factor),
  ),
  fc.constant<Deed>((plan) => roundToDevices(plan).plan),
)

test('any row of changes leaves a sound plan that everything can read, and each can be undone and redone', () => {
  fc.assert(
    fc.property(fc.constantFrom(...plans), fc.array(deeds, { minLength: 1, maxLength: 12 }), (first, row) => {
      let plan = first
      for (const deed of row) {
        const next = deed(plan)
        checkPlan(next)
        const change = changeBetween(plan, next, 'a change')
        expect(patched(plan, change.forward)).toEqual(next)
        expect(patched(next, change.back)).toEqual(plan)
        plan = next
      }
      expect(readPlanFile(writePlanFile(plan))).toEqual(plan)
      const table = reactionTable(plan)
      for (const query of queriesOf(plan, table)) {
        expect([...plan.lines, ...plan.steps].map(({ id }) => id)).toContain(query.about)
        if (query.remedy) checkPlan(query.remedy.apply(plan))
      }
      expect(tableCsv(plan).split('\r\n')).toHaveLength(plan.lines.length + 2)
      expect(safetySheet(plan).dangers.every(({ steps }) => steps.length > 0)).toBe(true)
      for (const { text } of plan.steps) expect(stepTextPlain(text, table)).not.toContain('undefined')
      expect(comparePlans(plan, plan)).toEqual([])
    }),
    { numRuns: often(30, 150) },
  )
})

test('a remedy settles its query', () => {
  fc.assert(
    fc.property(fc.constantFrom(...plans), fc.array(deeds, { minLength: 1, maxLength: 8 }), (first, row) => {
      const plan = row.reduce((current, deed) => deed(current), first)
      for (const query of queriesOf(plan)) {
        if (!query.remedy) continue
        expect(queriesOf(query.remedy.apply(plan)).map(({ id }) => id)).not.toContain(query.id)
      }
    }),
    { numRuns: often(20, 100) },
  )
})

describe('plan files that are not right are told where', () => {
  const broken = (change: (document: Record<string, never>) => void) => {
    const document = structuredClone(plans[4]) as unknown as Record<string, never>
    change(document)
    try {
      checkPlan(document)
    } catch (error) {
      return (error as Error).message
    }
    return 'it was taken'
  }
  const any = (value: unknown) => value as Record<string, Record<string, unknown>[]> & Record<string, Record<string, unknown>>

  test.each<[string, (document: Record<string, never>) => void, RegExp]>([
    [
      'a vessel of no kind',
      (d) => (any(d).steps![1]!.vessel = { kind: 'bucket', sizeML: 1 }),
      /^\/steps\/1\/vessel\/kind: .*round-bottom/,
    ],
    ['a vessel without size', (d) => (any(d).steps![1]!.vessel = { kind: 'vial' }), /^\/steps\/1\/vessel: .*sizeML/],
    ['an equilibrium of zero', (d) => (any(d).equilibrium!.constant = 0), /^\/equilibrium\/constant/],
    [
      'a waste stream of no kind',
      (d) => (any(d).substances![0]!.waste = 'the sink'),
      /^\/substances\/0\/waste: .*halogenated organic/,
    ],
    ['a step that charges nobody', (d) => (any(d).steps![2]!.line = 'nobody'), /^\/steps\/2\/line: there is no line “nobody”/],
    ['a line of nobody', (d) => (any(d).lines![0]!.substance = 'nobody'), /^\/lines\/0\/substance/],
    ['two steps of one id', (d) => (any(d).steps![1]!.id = 'safety'), /^\/steps\/1\/id: the id “safety” is used twice/],
    [
      'a strength of nothing',
      (d) => (any(d).lines![2]!.form = { kind: 'mass-fraction', fraction: 0, gPerML: 1, source: 'x' }),
      /^\/lines\/2\/form\/fraction/,
    ],
  ])('%s', (_words, change, message) => expect(broken(change)).toMatch(message))
})
