import { labSchema } from '@/core/lab/labSchema'
import { saveLab } from '@/server/laboratory'
import { route } from '@/server/route'
import { writtenWhole } from '@/server/whole'

export const PUT = route(
  { need: 'lab.write', subject: async ({ id }: { id: string }) => ({ course: id }), body: writtenWhole(labSchema) },
  ({ params, body }) => saveLab(params.id, body),
)
