import { thisMoment } from '@/server/clock'
import { boolean, object, string } from 'yup'
import { noteComparison } from '@/server/compared'
import { personOf, route } from '@/server/route'

export const PUT = route(
  {
    need: 'lab.write',
    subject: async ({ id }: { id: string }) => ({ course: id }),
    body: object({
      record: string().required().max(120),
      what: string().required().max(120),
      compared: boolean().required(),
    }),
  },
  ({ params, body, actor }) => noteComparison({ ...body, course: params.id }, personOf(actor).id, thisMoment()),
)
