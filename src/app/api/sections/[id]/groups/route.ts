import { array, number, object, string } from 'yup'
import { longestName, mostGroups, mostMembers } from '@/core/classroom/groupsText'
import { done } from '@/server/interfaceSchema'
import { route } from '@/server/route'
import { subjectOfSection } from '@/server/sessions'
import { saveGroups } from '@/server/students'

export const PUT = route(
  {
    need: 'section.write',
    subject: ({ id }: { id: string }) => subjectOfSection(id),
    body: object({
      groups: array(
        object({
          bench: number().integer().min(1).max(999).required(),
          names: array(string().trim().min(1).max(longestName).required()).min(1).max(mostMembers).required(),
        }),
      )
        .max(mostGroups)
        .required(),
      /** Ids of the students whom this person saw in the groups. */
      seen: array(string().required().max(40))
        .max(mostGroups * mostMembers)
        .required(),
    }),
    deed: 'changed a group',
    token: {
      right: 'people.write',
      says: 'Puts the groups of a section as they are wanted. A student keeps their id where the name stays. `seen` are the ids that were read before: where others have changed the groups since, nothing is written.',
      answers: done,
    },
  },
  ({ params, body }) => saveGroups(params.id, body),
)
