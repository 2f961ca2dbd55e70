import { object, string } from 'yup'
import { aboutSchema, formSchema, formulaSchema, leftSchema } from '@/core/stores/bottleSchema'
import { addBottle } from '@/server/bottles'
import { personOf, route } from '@/server/route'

export const POST = route(
  {
    need: 'shelf.write',
    subject: async ({ id }: { id: string }) => ({ course: id }),
    body: object({
      substance: string().trim().min(1, 'Choose what is in the bottle.').max(200).required(),
      formula: formulaSchema,
      form: formSchema,
      left: leftSchema,
      place: string().trim().max(120).defined(),
      about: aboutSchema.optional() as typeof aboutSchema,
    }),
  },
  ({ params, body, actor }) => addBottle(params.id, body as never, personOf(actor).id),
)
