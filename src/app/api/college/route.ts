import { changeCollege } from '@/server/colleges'
import { collegeSchema } from '@/server/personSchema'
import { college, route } from '@/server/route'

export const PUT = route(
  { need: 'college.write', subject: college, body: collegeSchema, deed: 'changed the college' },
  ({ body }) => changeCollege(body),
)
