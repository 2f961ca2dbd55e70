import { mixed, number, object, string } from 'yup'
import type { Form } from '@/core/plan/plan'
import { addBottle } from '@/server/bottles'
import { personOf, route } from '@/server/route'

export const POST = route(
  {
    need: 'shelf.write',
    subject: async ({ id }: { id: string }) => ({ course: id }),
    body: object({
      substance: string().trim().min(1, 'Choose what is in the bottle.').max(200).required(),
      formula: string().nullable(),
      form: mixed<Form>().required(),
      left: object({
        value: number().min(0, 'What is left is not less than nothing.').required(),
        unit: string()
          .oneOf(['g', 'mL'] as const)
          .required(),
        decimals: number().integer().required(),
      }),
      place: string().trim().max(120).defined(),
    }),
  },
  ({ params, body, actor }) => addBottle(params.id, body, personOf(actor).id),
)
