import { lazy, number, object, string, type Schema } from 'yup'
import type { Form } from '../plan/plan'
import type { BottleAbout } from './bottle'
import { solutionSolventNames } from '../substance/solutionSolvents'
import { FormulaError, readFormula } from '../substance/readFormula'

const share = (what: string) =>
  number().moreThan(0, `${what} is more than 0.`).max(1, `${what} is at most 1.`).required(`${what} is wanted.`)
const amount = (what: string, most: number) =>
  number().moreThan(0, `${what} is more than 0.`).max(most, `${what} is at most ${most}.`).required(`${what} is wanted.`)
const density = number().moreThan(0, 'The density is more than 0.').max(25, 'The density is at most 25 g/mL.')

const solvent = string().oneOf(solutionSolventNames, 'Choose one of the solvents, or none for water.')

const forms = {
  solid: object({ kind: string().required(), purity: share('The purity'), water: number().moreThan(0).max(30) }).noUnknown(),
  neat: object({ kind: string().required(), purity: share('The purity') }).noUnknown(),
  solution: object({ kind: string().required(), molPerL: amount('The strength', 100), gPerML: density, solvent }).noUnknown(),
  'mass-volume': object({
    kind: string().required(),
    gPer100ML: amount('The strength', 500),
    gPerML: density,
    solvent,
  }).noUnknown(),
  'mass-fraction': object({
    kind: string().required(),
    fraction: share('The mass fraction'),
    gPerML: density,
    source: string().min(1).max(200).required(),
  }).noUnknown(),
}

/** What is in a bottle, kind by kind. @throws ValidationError with what is wanted */
export const formSchema = lazy((value: unknown) => {
  const { kind } = (value ?? {}) as { kind?: unknown }
  if (typeof kind === 'string' && Object.hasOwn(forms, kind)) return forms[kind as keyof typeof forms].required() as never
  return object({
    kind: string()
      .oneOf(Object.keys(forms), 'Say whether it is a solid, a liquid or a solution.')
      .required('Say what is in the bottle.'),
  }).required('Say what is in the bottle.') as never
}) as unknown as Schema<Form>

/** A formula that can be read; absent for what has none. */
export const formulaSchema = string()
  .max(120, 'A formula has at most 120 characters.')
  .nullable()
  .test('readable', function (formula) {
    if (formula == null) return true
    try {
      readFormula(formula)
      return true
    } catch (error) {
      if (!(error instanceof FormulaError)) throw error
      return this.createError({ message: `“${formula}”, character ${error.at + 1}: ${error.message}` })
    }
  })

/** What is left in a bottle, as it was typed. */
export const leftSchema = object({
  value: number()
    .min(0, 'What is left is not less than nothing.')
    .max(1e6, 'No bottle holds so much.')
    .required('Say how much is left.'),
  unit: string()
    .oneOf(['g', 'mL'] as const)
    .required(),
  decimals: number().integer().min(-6).max(6).required(),
})
  .noUnknown()
  .default(undefined)
  .required('Say how much is left.')

/** A day as 2026-11-26 that the calendar has. */
const day = (what: string) =>
  string()
    .matches(/^\d{4}-\d{2}-\d{2}$/, `${what} is written as 2026-11-26.`)
    .test('exists', `There is no such day; ${what.toLowerCase()} is written as 2026-11-26.`, (text) => {
      if (text === undefined) return true
      const at = new Date(`${text}T00:00:00Z`)
      return !Number.isNaN(at.getTime()) && at.toISOString().startsWith(text)
    })

/** What the label of a bottle says. */
export const aboutSchema = object({
  lot: string().max(60, 'A lot has at most 60 characters.'),
  openedOn: day('The day it was opened'),
  expiresOn: day('The day it expires'),
  peroxideTestBy: day('The day of its peroxide test'),
  standard: object({
    molPerL: amount('The titre', 100),
    on: day('The day of the titration').required('Say when it was titrated.'),
  })
    .noUnknown()
    .default(undefined),
}).noUnknown() as Schema<BottleAbout>
