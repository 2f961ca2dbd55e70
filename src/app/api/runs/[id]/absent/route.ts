import { array, object, string } from 'yup'
import { route } from '@/server/route'
import { subjectOfRun } from '@/server/runs'
import { setAbsent } from '@/server/students'

export const PUT = route(
  {
    need: 'code.write',
    subject: ({ id }: { id: string }) => subjectOfRun(id),
    body: object({ absent: array(string().required().max(40)).max(20).required() }),
    deed: 'changed a group',
  },
  ({ params, body }) => setAbsent(params.id, body.absent),
)
