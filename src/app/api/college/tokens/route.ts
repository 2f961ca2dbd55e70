import { array, number, object, string } from 'yup'
import { nameSchema } from '@/server/personSchema'
import { tokenRights } from '@/server/rights'
import { college, personOf, route } from '@/server/route'
import { longestDays, makeToken } from '@/server/tokens'

export const POST = route(
  {
    need: 'college.write',
    subject: college,
    body: object({
      name: nameSchema,
      rights: array(string().oneOf(tokenRights).required()).min(1, 'Choose what it may do.').required(),
      course: string().max(40).nullable().defined(),
      days: number()
        .integer('Say for how many whole days it is good.')
        .min(1, 'Say for how many days it is good.')
        .max(longestDays, `A token is good for ${longestDays} days at the most.`)
        .required('Say for how many days it is good.'),
    }),
    deed: 'made a token',
  },
  ({ body, actor }) => makeToken(body, personOf(actor).id),
)
