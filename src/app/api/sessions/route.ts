import { array, number, object, string } from 'yup'
import { route } from '@/server/route'
import { createSession, subjectOfSection } from '@/server/sessions'

const moment = string()
  .matches(/^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}(:\d{2}(\.\d+)?)?Z$/, 'Give the time as a date and a time.')
  .required()

export const POST = route(
  {
    need: 'session.write',
    subjectOfBody: ({ section }: { section: string }) => subjectOfSection(section),
    body: object({
      section: string().required(),
      revision: string().required(),
      startsAt: moment,
      endsAt: moment,
      room: string().trim().required('Say which room.').max(120),
      groups: array(
        object({
          group: string().required(),
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
