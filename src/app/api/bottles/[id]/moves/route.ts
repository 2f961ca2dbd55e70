import { number, object, string } from 'yup'
import { moveBottle } from '@/server/bottleMoves'
import { subjectOfBottle } from '@/server/bottles'
import { personOf, route } from '@/server/route'

/** Something that was done with what is in a bottle: so much more, or so much less. */
export const POST = route(
  {
    need: 'shelf.write',
    subject: ({ id }: { id: string }) => subjectOfBottle(id),
    body: object({
      kind: string()
        .oneOf(['came back', 'charged', 'distilled', 'thrown away', 'filled', 'counted'] as const, 'Say what was done with it.')
        .required('Say what was done with it.'),
      by: number()
        .typeError('How much it became more or less is a number.')
        .min(-1e6, 'No bottle holds so much.')
        .max(1e6, 'No bottle holds so much.')
        .required('Say by how much.'),
      session: string().length(26),
      reason: string().trim().max(200, 'A reason has at most 200 characters.').default(''),
    }),
  },
  ({ params, body, actor }) => moveBottle(params.id, body, personOf(actor).id),
)
