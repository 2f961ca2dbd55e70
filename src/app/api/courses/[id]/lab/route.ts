import { labSchema } from '@/core/lab/labSchema'
import { saveLab } from '@/server/laboratory'
import { route } from '@/server/route'

export const PUT = route(
  { need: 'lab.write', subject: async ({ id }: { id: string }) => ({ course: id }), body: labSchema },
  ({ params, body }) => saveLab(params.id, body),
)
