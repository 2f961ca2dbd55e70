import { object, string } from 'yup'
import { aboutSchema, leftSchema } from '@/core/stores/bottleSchema'
import { changeBottle, removeBottle, subjectOfBottle } from '@/server/bottles'
import { personOf, route } from '@/server/route'

const subject = ({ id }: { id: string }) => subjectOfBottle(id)

export const PATCH = route(
  {
    need: 'shelf.write',
    subject,
    body: object({
      left: leftSchema,
      place: string().trim().max(120).defined(),
      about: aboutSchema.optional() as typeof aboutSchema,
      reason: string().trim().max(200, 'A reason has at most 200 characters.'),
    }),
  },
  ({ params, body, actor }) => changeBottle(params.id, body, personOf(actor).id),
)

export const DELETE = route({ need: 'shelf.write', subject }, ({ params }) => removeBottle(params.id))
