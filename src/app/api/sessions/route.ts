import { array, number, object, string } from 'yup'
import { route } from '@/server/route'
import { createSession, subjectOfSection } from '@/server/sessions'

const moment = string()
  .matches(/^20\d{2}-\d{2}-\d{2}T\d{2}:\d{2}(:\d{2}(\.\d+)?)?Z$/, 'Give the time as a date and a time.')
  .test('exists', 'There is no such day or time.', (text) => {
    const at = new Date(text ?? '')
    return !Number.isNaN(at.getTime()) && at.toISOString().slice(0, 16) === text!.slice(0, 16)
  })
  .required()

export const POST = route(
  {
    need: 'session.write',
    subjectOfBody: ({ section }: { section: string }) => subjectOfSection(section),
    body: object({
      section: string().required().max(40),
      revision: string().required().max(40),
      startsAt: moment,
      endsAt: moment,
      room: string().trim().required('Say which room.').max(120),
      groups: array(
        object({
          group: string().required().max(40),
          scale: number()
            .min(0.05, 'A scale below 0.05 cannot be measured out.')
            .max(20, 'A scale above 20 is not a bench preparation.')
            .required(),
        }),
      )
        .min(1, 'Choose at least one group.')
        .max(60)
        .required(),
    }),
  },
  ({ body }) => createSession(body),
)
