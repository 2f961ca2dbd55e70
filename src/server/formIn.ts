import type { Form } from '@/core/plan/plan'
import { formSchema } from '@/core/stores/bottleSchema'

/** What cannot be read any more is shown as a solid that nobody has described, so that the bottle can be put right or taken off. */
export function formIn(text: string): Form {
  try {
    return formSchema.validateSync(JSON.parse(text), { strict: true })
  } catch {
    return { kind: 'solid', purity: 1 }
  }
}
