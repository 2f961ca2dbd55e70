import Ajv from 'ajv'
import { planSchema } from '../plan/planSchema'

export const planAjv = new Ajv({
  allErrors: false,
  discriminator: true,
  strict: false,
  strictNumbers: true,
  // With its source, the check can be written into a bundle instead of being compiled at each start.
  code: { source: true, esm: true, optimize: false },
})

/** Whether a document is a plan as far as a schema can say it; what is wrong stands in `errors`. */
export const validatePlan = planAjv.compile(planSchema)
