import { array, boolean, number, object, string, type Schema } from 'yup'
import { roles } from './rights'

/** What is answered to the college's other systems. These shapes are promised: fields are added, never renamed. */
const id = () => string().required()
const perhaps = () => string().nullable().defined()
const moment = () => string().required()

export const made = object({ id: id() })
export const done = object({ ok: boolean().required() })

export const coursesView = object({
  courses: array(object({ id: id(), title: id(), term: string().defined(), zone: id() })).required(),
})

export const peopleView = object({
  people: array(
    object({
      id: id(),
      name: id(),
      signIn: id(),
      role: string().oneOf(roles).required(),
      /** False until an invitation is taken up. */
      here: boolean().required(),
    }),
  ).required(),
})

/** `token` is the secret part of the link /invitation/…, where the person is new here. */
export const invitedView = object({ user: id(), token: perhaps() })

export const sectionsView = object({
  sections: array(
    object({
      id: id(),
      name: id(),
      sessions: number().integer().required(),
      groups: array(
        object({
          id: id(),
          bench: number().integer().required(),
          members: array(object({ id: id(), name: perhaps() })).required(),
        }),
      ).required(),
    }),
  ).required(),
})

export const revisionsView = object({
  revisions: array(object({ id: id(), preparation: id(), title: id(), number: number().integer().required() })).required(),
})

const sessionShape = {
  id: id(),
  course: id(),
  title: id(),
  section: id(),
  startsAt: moment(),
  endsAt: moment(),
  room: id(),
  benches: number().integer().required(),
  goesOnFrom: perhaps(),
  cancelled: boolean().required(),
  reason: perhaps(),
  revision: object({ id: id(), preparation: id(), number: number().integer().required(), state: id() }).required(),
  zone: id(),
}

export const sessionsView = object({ sessions: array(object(sessionShape)).required(), more: boolean().required() })

export const sessionView = object({
  ...sessionShape,
  runs: array(object({ id: id(), group: id(), bench: number().integer().required(), scale: number().required() })).required(),
})

const figure = (): Schema => object({ value: number().required(), u: number().required() }).nullable().defined()

export const resultsView = object({
  session: id(),
  benches: array(
    object({
      run: id(),
      bench: number().integer().required(),
      group: string().defined(),
      scale: number().required(),
      limitingReagent: string().defined(),
      judgement: string().defined(),
      evidence: string().defined(),
      results: array(
        object({
          result: id(),
          substance: string().defined(),
          after: string().defined(),
          of: string().defined(),
          wholeGrams: figure(),
          massGrams: figure(),
          dry: boolean().nullable().defined(),
          figure: figure(),
          to: number().nullable().defined(),
          unit: string().defined(),
          asRead: string().defined(),
        }),
      ).required(),
    }),
  ).required(),
})
