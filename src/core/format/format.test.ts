import { acetanilide, benzoin, fractionation, isopentylAcetate, separation } from '@/test-support/plans'
import { TestLog } from '@/test-support/entries'
import { calculate } from './calculation'
import { EntriesFileError, readEntriesFile } from './entriesFile'
import { checkPlan, PlanFileError, readPlanFile, writePlanFile } from './planFile'

describe('plan file', () => {
  test.each([acetanilide, benzoin])('$title: written and read back is the same, byte for byte', (plan) => {
    const text = writePlanFile(plan)
    expect(readPlanFile(text)).toEqual(plan)
    expect(writePlanFile(readPlanFile(text))).toBe(text)
  })

  test.each([
    ['not JSON', '{', '', /not JSON/],
    ['another document', '{"format":"other"}', '/format', /not a plan/],
    ['nothing', 'null', '/format', /not a plan/],
    ['a newer version', '{"format":"mozle-plan","version":4}', '/version', /version 4.*reads version 3. Use a newer program/],
    ['an older version', '{"format":"mozle-plan","version":2}', '/version', /version 2.*reads version 3. Write it anew/],
    ['no version', '{"format":"mozle-plan"}', '/version', /version none of the file/],
  ])('%s is refused', (_what, text, where, message) => {
    const read = () => readPlanFile(text)
    expect(read).toThrow(PlanFileError)
    expect(read).toThrow(message)
    try {
      read()
    } catch (error) {
      expect((error as PlanFileError).where).toBe(where)
    }
  })

  const broken = (change: (plan: ReturnType<typeof structuredClone<typeof acetanilide>>) => void) => {
    const plan = structuredClone(acetanilide)
    change(plan)
    return () => checkPlan(plan)
  }
  test.each([
    ['a missing field', broken((plan) => delete (plan as Partial<typeof plan>).lines), /lines/],
    ['a coefficient of zero', broken((plan) => (plan.lines[0]!.coefficient = 0)), /\/lines\/0\/coefficient/],
    ['an unknown field', broken((plan) => Object.assign(plan.lines[1]!, { colour: 'red' })), /\/lines\/1/],
    [
      'a hazard statement with its words',
      broken((plan) => (plan.substances[0]!.hazards!.statements[0] = 'H301 Toxic if swallowed')),
      /\/substances\/0\/hazards\/statements\/0: a hazard statement is its code alone, such as H225/,
    ],
    ['an expected yield of nothing', broken((plan) => delete plan.mainProduct), /\/expectedYield.*names none/],
    [
      'a result that nobody knows',
      broken((plan) => Object.assign(plan, { wants: [{ quantity: 'beauty' }] })),
      /\/wants\/0\/quantity.*“beauty”.*melting range/,
    ],
    [
      'a recovery of a line that is not there',
      broken((plan) => (plan.recoveries = [{ sample: 'x', product: 'gone', of: 'aniline', expected: { low: 0.1, high: 0.2 } }])),
      /\/recoveries\/0\/product/,
    ],
    [
      'a share by a line that is no component',
      broken((plan) => (plan.lines[1]!.anchor = { of: 'share', line: 'aniline', percent: 5, decimals: 0 })),
      /\/lines\/1\/role.*component/,
    ],
    ['an unknown role', broken((plan) => Object.assign(plan.lines[1]!, { role: 'magic' })), /\/lines\/1\/role.*reactant/],
    [
      'a line without its substance',
      broken((plan) => (plan.lines[0]!.substance = 'gone')),
      /\/lines\/0\/substance: there is no substance “gone”/,
    ],
    ['a twice-used id', broken((plan) => (plan.lines[1]!.id = 'aniline')), /\/lines\/1\/id.*twice/],
    [
      'a formula that cannot be read',
      broken((plan) => (plan.substances[0]!.formula = 'C6H7Q')),
      /\/substances\/0\/formula: “C6H7Q”, character 5/,
    ],
    ['a reference that is not there', broken((plan) => (plan.reference = 'gone')), /\/reference/],
    ['a step that charges nothing', broken((plan) => Object.assign(plan.steps[2]!, { line: 'gone' })), /\/steps\/2\/line/],
    ['an unknown kind of step', broken((plan) => Object.assign(plan.steps[2]!, { kind: 'explode' })), /\/steps\/2/],
  ])('%s is told where', (_what, read, message) => expect(read).toThrow(message))
})

describe('what is typed into planners', () => {
  const withWork = (work: unknown) => ({
    ...acetanilide,
    steps: acetanilide.steps.map((step) => (step.id === 'crystallise' ? { ...step, work } : step)),
  })
  const place = (work: unknown) => {
    try {
      checkPlan(withWork(work))
      return 'taken'
    } catch (error) {
      return (error as PlanFileError).message
    }
  }
  const index = acetanilide.steps.findIndex(({ id }) => id === 'crystallise')
  test('goes out and comes back', () => {
    const plan = checkPlan(withWork({ of: 'crystallise', volumeML: 120, way: 'portions' }))
    expect(readPlanFile(writePlanFile(plan))).toEqual(plan)
  })
  test.each([
    [{ of: 'crystallise', volumeML: -5 }, `/steps/${index}/work/volumeML: hot solvent lies between`],
    [{ of: 'crystallise', volumeML: 'much' }, `/steps/${index}/work/volumeML: hot solvent is a number of mL`],
    [{ of: 'crystallise', way: 'by eye' }, `/steps/${index}/work/way: how much solvent is one of`],
    [{ of: 'crystallise', colour: 'white' }, `/steps/${index}/work/colour: there is no such field`],
    [{ of: 'sublime' }, `/steps/${index}/work/of: no operation “sublime” has a planner`],
    [{ of: 'distil', components: [{ name: 'water', mmol: -1 }] }, `/steps/${index}/work/components: mmol lies between`],
    [{ volumeML: 5 }, 'of'],
  ])('%j is refused with its place', (work, why) => expect(place(work)).toContain(why))
})

describe('entries file', () => {
  const entry = new TestLog().reading('dry', 'empty', 31.2)
  test('an array, or an object with a scale', () => {
    expect(readEntriesFile(JSON.stringify([entry]))).toEqual({ scale: 1, entries: [entry] })
    expect(readEntriesFile(JSON.stringify({ scale: 0.8, entries: [entry] })).scale).toBe(0.8)
  })
  test.each([
    ['{', /not JSON/],
    ['{}', /array of entries/],
    ['{"scale":0,"entries":[]}', /scale/],
    [JSON.stringify([{ ...entry, id: 'x' }]), /\/entries\/0: id/],
  ])('%s is refused', (text, message) => {
    expect(() => readEntriesFile(text)).toThrow(EntriesFileError)
    expect(() => readEntriesFile(text)).toThrow(message)
  })
})

describe('calculation', () => {
  test('a plan alone', () => {
    const document = calculate(acetanilide)
    expect(document).toMatchObject({
      title: 'Acetanilide',
      limiting: ['aniline'],
      balanced: true,
      queries: [{ id: 'oil-crystallise' }],
    })
    expect(document.extent_mmol!.value).toBeCloseTo(43.45714, 4)
    expect(document).not.toHaveProperty('run')
  })

  test('with a run', () => {
    const log = new TestLog()
    log.difference('charge-aniline', 27.512, 23.418)
    const document = calculate(acetanilide, { scale: 1, entries: log.entries }) as unknown as { run: Record<string, never> }
    expect(document.run).toMatchObject({
      scale: 1,
      charged: { aniline: { measure: 'mass', value: 4.094 } },
      notMeasured: ['anhydride'],
      result: null,
    })
    expect(JSON.parse(JSON.stringify(document))).toEqual(document)
  })

  type Operation = { step: string; figures: { id: string; value: number }[] } & Record<string, unknown>
  const operation = (document: unknown, step: string) =>
    (document as { operations: Operation[] }).operations.find((each) => each.step === step)!

  test('a distillation has its fractions, which with the residue make up what was charged; purer is less', () => {
    const { fractions, left_mmol, purities } = operation(calculate(fractionation), 'distil-light') as unknown as {
      fractions: { name: string; mmol: number[] }[]
      left_mmol: number[]
      purities: { purity: number; recovery: number }[]
    }
    expect(fractions.map(({ name }) => name)).toEqual(['forerun', 'main', 'after-run'])
    // 25 mL × 0.779 g/mL ÷ 84.16 g/mol
    const cyclohexane = fractions.reduce((sum, { mmol }) => sum + mmol[0]!, left_mmol[0]!)
    expect(cyclohexane).toBeCloseTo(231.4, 1)
    for (let i = 1; i < purities.length; i++) expect(purities[i]!.recovery).toBeLessThanOrEqual(purities[i - 1]!.recovery)
  })
  test('a distillation of which nothing comes over says so', () => {
    const dry = fractionation.steps.map((step) =>
      step.id === 'distil-light' ? { ...step, work: { of: 'distil' as const, stopML: 4000 } } : step,
    )
    expect(operation(calculate({ ...fractionation, steps: dry }), 'distil-light').refused).toContain('nothing comes over')
  })
  test('extraction and washing say what is where, crystallising which solvents', () => {
    expect(operation(calculate(separation), 'extract-base').layers).toMatchObject({
      solutes: expect.arrayContaining(['fluorene']),
    })
    expect((operation(calculate(isopentylAcetate), 'wash-water').washes as { solution: string }[])[0]!.solution).toBe('water')
    expect((operation(calculate(acetanilide), 'crystallise').solvents as { solvent: string }[])[0]!.solvent).toBe('water')
  })
  test('with a run the operations are worked out again from what was charged and read', () => {
    const log = new TestLog()
    log.reading('charge-cyclohexane', 'volume', 20, 1, {}, 'mL')
    for (const [volumeML, headC] of [
      [0, 80.5],
      [10, 81],
    ] as const)
      log.add('distil-light', 'head', { volumeML, volumeDecimals: 1, headC, decimals: 1 })
    const { run } = calculate(fractionation, { scale: 1, entries: log.entries }) as unknown as { run: unknown }
    const left = operation(run, 'distil-light').figures.find(({ id }) => id === 'left-now')!
    // 20 mL and 25 mL, less 10 mL.
    expect(left.value).toBeCloseTo(35, 1)
  })
})
