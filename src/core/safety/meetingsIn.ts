import { stepContents, type Content } from '../operations/vessel/contents'
import { operationIn } from '../operations/registry'
import type { Plan } from '../plan/plan'
import type { ReactionTable } from '../reaction/reactionTable'
import { meetings, type Meeting } from '../reaction/meetings'
import { classesOf, type ReactiveClass } from '../reaction/reactiveClasses'

/** Two substances of a plan that meet in a vessel, in the first step in which they do. */
export interface Met {
  step: string
  meeting: Meeting
  one: Content['substance']
  other: Content['substance']
  /** True where the step is there for it. */
  meant: boolean
}

/** The meetings of reactive classes in a plan: each pair of substances once, where they first stand in one vessel, and again where it first is not meant. */
export function meetingsIn(plan: Plan, table: ReactionTable): Met[] {
  const known = found.get(table)
  if (known?.plan === plan) return known.met
  const met = look(plan, table)
  found.set(table, { plan, met })
  return met
}

const found = new WeakMap<ReactionTable, { plan: Plan; met: Met[] }>()

function look(plan: Plan, table: ReactionTable): Met[] {
  const seen = new Set<string>()
  return stepContents(plan, table).flatMap(({ step, contents, perhaps }) => {
    const purposes = operationIn(plan.steps.find(({ id }) => id === step)!)?.meant ?? []
    const inside = [...contents, ...perhaps].map(({ substance, line }) => ({ substance, classes: classesOf(substance, line) }))
    const has = (wanted: ReactiveClass) => inside.filter(({ classes }) => classes.has(wanted))
    return meetings.flatMap((meeting): Met[] => {
      if (meeting.with && has(meeting.with).length === 0) return []
      const meant = meeting.meant !== undefined && purposes.includes(meeting.meant.purpose)
      return has(meeting.one).flatMap(({ substance: one }) =>
        has(meeting.other).flatMap(({ substance: other }): Met[] => {
          const pair = `${[one.id, other.id].sort().join(' ')} ${meant}`
          if (one.id === other.id || seen.has(pair)) return []
          seen.add(pair)
          return [{ step, meeting, one, other, meant }]
        }),
      )
    })
  })
}
