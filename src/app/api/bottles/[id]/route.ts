import { object, string } from 'yup'
import { leftSchema } from '@/core/stores/bottleSchema'
import { changeBottle, removeBottle, subjectOfBottle } from '@/server/bottles'
import { personOf, route } from '@/server/route'

const subject = ({ id }: { id: string }) => subjectOfBottle(id)

export const PATCH = route(
  {
    need: 'shelf.write',
    subject,
    body: object({ left: leftSchema, place: string().trim().max(120).defined() }),
  },
  ({ params, body, actor }) => changeBottle(params.id, body, personOf(actor).id),
)

export const DELETE = route({ need: 'shelf.write', subject }, ({ params }) => removeBottle(params.id))
