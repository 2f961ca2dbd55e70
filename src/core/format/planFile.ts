import { isOperation, operationKeys } from '../operations/registry'
import { plannerFor, planners, problemIn } from '../operations/planners'
import type { Plan } from '../plan/plan'
import { quantities } from '../result/quantities/registry'
import { FormulaError, readFormula } from '../substance/readFormula'
import { problemInJson } from './jsonValue'
import { validatePlan } from './validatePlan'

/** A plan file that cannot be used: `where` points into the document (`/lines/2/anchor`), the message says what is wrong there. */
export class PlanFileError extends Error {
  constructor(
    message: string,
    readonly where: string,
  ) {
    super(where === '' ? message : `${where}: ${message}`)
    this.name = 'PlanFileError'
  }
}

/** Nothing in a laboratory is larger, in any unit, and nothing that is written there longer or nested deeper. */
const most = { number: 1e9, text: 20_000, list: 500, depth: 12 } as const

/**
 * Reads a plan file: JSON, the schema, then what a schema cannot say (ids that are used exist and are unique, formulas can be read).
 * @throws PlanFileError with the place and the reason.
 */
export function readPlanFile(text: string): Plan {
  let document: unknown
  try {
    document = JSON.parse(text)
  } catch (error) {
    throw new PlanFileError(`This is not JSON: ${(error as Error).message}.`, '')
  }
  return checkPlan(document)
}

/** The same for a document that has been parsed already. @throws PlanFileError */
export function checkPlan(document: unknown): Plan {
  const { format, version } = (document ?? {}) as { format?: unknown; version?: unknown }
  if (format !== 'mozle-plan') throw new PlanFileError('This is not a plan: "format" must be "mozle-plan".', '/format')
  if (version !== 3) {
    const advice =
      typeof version === 'number' && version > 3 ? 'Use a newer program.' : 'Write it anew from a plan that this program exports.'
    throw new PlanFileError(
      `This plan was written in version ${JSON.stringify(version) ?? 'none'} of the file; this program reads version 3. ${advice}`,
      '/version',
    )
  }
  const odd = problemInJson(document)
  if (odd) throw new PlanFileError(odd, '')
  checkSize(document, '', 0)
  if (!validatePlan(document)) {
    const first = validatePlan.errors![0]!
    if (first.keyword === 'pattern' && /\/hazards\/statements\/\d+$/.test(first.instancePath))
      throw new PlanFileError(
        'a hazard statement is its code alone, such as H225; its words are made where it is printed',
        first.instancePath,
      )
    const allowed = (first.params as { allowedValues?: unknown[] }).allowedValues
    throw new PlanFileError(`${first.message}${allowed ? ` (${allowed.join(', ')})` : ''}`, first.instancePath)
  }
  const plan = document as unknown as Plan
  const unique = (what: 'substances' | 'lines' | 'steps') => {
    const ids = plan[what].map(({ id }) => id)
    ids.forEach((id, index) => {
      if (ids.indexOf(id) !== index) throw new PlanFileError(`the id “${id}” is used twice`, `/${what}/${index}/id`)
    })
    return new Set(ids)
  }
  const [substances, lines] = [unique('substances'), unique('lines')]
  unique('steps')
  plan.substances.forEach(({ formula }, index) => {
    if (formula === undefined) return
    try {
      readFormula(formula)
    } catch (error) {
      if (!(error instanceof FormulaError)) throw error
      throw new PlanFileError(`“${formula}”, character ${error.at + 1}: ${error.message}`, `/substances/${index}/formula`)
    }
  })
  const known = (ids: Set<string>, id: string, where: string, what: string) => {
    if (!ids.has(id)) throw new PlanFileError(`there is no ${what} “${id}”`, where)
  }
  plan.lines.forEach((line, index) => known(substances, line.substance, `/lines/${index}/substance`, 'substance'))
  known(lines, plan.reference, '/reference', 'line')
  if (plan.mainProduct !== undefined) known(lines, plan.mainProduct, '/mainProduct', 'line')
  if (plan.mainProduct === undefined && plan.expectedYield !== undefined)
    throw new PlanFileError('a yield is expected of a main product, and the plan names none', '/expectedYield')
  plan.samples?.forEach(({ line }, index) => known(lines, line, `/samples/${index}/line`, 'line'))
  plan.wants?.forEach(({ quantity }, index) => {
    if (!quantities.some(({ id }) => id === quantity))
      throw new PlanFileError(
        `no result is called “${quantity}”; there are ${quantities.map(({ id }) => id).join(', ')}`,
        `/wants/${index}/quantity`,
      )
  })
  plan.recoveries?.forEach((recovery, index) => {
    known(lines, recovery.product, `/recoveries/${index}/product`, 'line')
    known(lines, recovery.of, `/recoveries/${index}/of`, 'line')
  })
  plan.lines.forEach(({ anchor, role }, index) => {
    if (anchor?.of !== 'share') return
    known(lines, anchor.line, `/lines/${index}/anchor/line`, 'line')
    if (role !== 'component') throw new PlanFileError('only a component is a share of another line', `/lines/${index}/role`)
    if (plan.lines.find(({ id }) => id === anchor.line)!.anchor?.of === 'share')
      throw new PlanFileError('a share of a share has no mass of its own', `/lines/${index}/anchor/line`)
  })
  plan.steps.forEach((step, index) => {
    if (step.kind === 'charge') known(lines, step.line, `/steps/${index}/line`, 'line')
    if (step.kind === 'crystallise') known(lines, step.solvent, `/steps/${index}/solvent`, 'line')
    if ((step.kind === 'act' || step.kind === 'hold') && step.operation !== undefined && !isOperation(step.operation))
      throw new PlanFileError(
        `no operation is called “${step.operation}”; there are ${operationKeys.join(', ')}`,
        `/steps/${index}/operation`,
      )
    checkOwn(step, index)
    checkWork(step, index)
    checkMinutes(step, index)
  })
  return plan
}

/** What is accepted can be kept, read back and drawn: finite numbers, and no more of anything than a preparation has. @throws PlanFileError */
function checkSize(value: unknown, where: string, depth: number): void {
  if (depth > most.depth) throw new PlanFileError('this is nested deeper than a plan is', where)
  if (typeof value === 'number' && !(Math.abs(value) <= most.number))
    throw new PlanFileError(`a number lies between −${most.number} and ${most.number}`, where)
  if (typeof value === 'string' && value.length > most.text)
    throw new PlanFileError(`a text has at most ${most.text} characters`, where)
  if (typeof value !== 'object' || value === null) return
  if (Array.isArray(value) && value.length > most.list) throw new PlanFileError(`a list has at most ${most.list} entries`, where)
  for (const [key, part] of Object.entries(value)) checkSize(part, `${where}/${key}`, depth + 1)
}

/** What is usual lies between the least and the most. @throws PlanFileError */
function checkMinutes({ minutes, handsOnMin, waitMin }: Plan['steps'][number], index: number): void {
  const usual = { handsOn: handsOnMin, wait: waitMin }
  for (const key of ['handsOn', 'wait'] as const) {
    const span = minutes?.[key]
    if (span && !(span.least <= usual[key] && usual[key] <= span.most))
      throw new PlanFileError(
        `the usual ${usual[key]} min lie between the least and the most, not outside ${span.least} to ${span.most}`,
        `/steps/${index}/minutes/${key}`,
      )
  }
}

/** An operation of the author's own has a name of its own for each blank, with bounds in their order, and is no other operation besides. @throws PlanFileError */
function checkOwn(step: Plan['steps'][number], index: number): void {
  if (step.kind !== 'act' || !step.own) return
  if (step.operation !== undefined)
    throw new PlanFileError('a step is an operation of its own or one that is known, not both', `/steps/${index}/own`)
  const { blanks = [] } = step.own
  blanks.forEach(({ key, least, most }, at) => {
    const where = `/steps/${index}/own/blanks/${at}`
    if (key === 'of' || blanks.findIndex((other) => other.key === key) !== at)
      throw new PlanFileError(`a blank has a name of its own, and “${key}” is taken`, `${where}/key`)
    if (!(least < most)) throw new PlanFileError(`a blank goes from less to more, not from ${least} to ${most}`, where)
  })
}

/** What is typed into a planner stands in its fields. @throws PlanFileError */
function checkWork(step: Plan['steps'][number], index: number): void {
  const { work } = step
  if (!work) return
  const planner = work.of === 'own' ? plannerFor(step) : Object.values(planners).find(({ of }) => of === work.of)
  if (!planner) throw new PlanFileError(`no operation “${work.of}” has a planner`, `/steps/${index}/work/of`)
  for (const [key, value] of Object.entries(work)) {
    const field = planner.fields.find((each) => each.key === key)
    const problem = key === 'of' ? undefined : field ? problemIn(field, value) : 'there is no such field'
    if (problem) throw new PlanFileError(problem, `/steps/${index}/work/${key}`)
  }
}

/** The plan file of a plan: the same keys in the same order, two-space JSON, a newline at the end. */
export function writePlanFile(plan: Plan): string {
  return `${JSON.stringify(plan, null, 2)}\n`
}
