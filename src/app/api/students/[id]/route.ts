import { route } from '@/server/route'
import { exportStudent, forget } from '@/server/forgetting'
import { subjectOfStudent } from '@/server/students'

const subject = ({ id }: { id: string }) => subjectOfStudent(id)

/** Everything that is held of a student. */
export const GET = route({ need: 'section.write', subject, deed: 'exported a student' }, ({ params }) => exportStudent(params.id))

export const DELETE = route({ need: 'section.write', subject, deed: 'forgot a student' }, ({ params }) => forget([params.id]))
