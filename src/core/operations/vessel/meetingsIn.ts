import { operationIn } from '../registry'
import type { Plan } from '../../plan/plan'
import type { ReactionTable } from '../../reaction/reactionTable'
import type { Meeting } from '../../reaction/meeting'
import { meetings } from '../../reaction/meetings'
import { classesOf, type ClassInVessel } from '../../reaction/reactiveClasses'
import type { Content } from './content'
import { stepContents } from './contents'

/** Two contents of which each belongs to one of the two classes of a meeting. */
export interface Pair {
  meeting: Meeting
  one: Content
  other: Content
}

/** Two substances of a plan that meet in a vessel, in the first step in which they do. */
export interface Met extends Pair {
  step: string
  /** True where the step is there for it. */
  meant: boolean
}

/** All pairs among contents that the table of meetings knows, in its order: the graver first. */
export function pairsAmong(contents: readonly Content[]): Pair[] {
  const byClass = new Map<ClassInVessel, Content[]>()
  for (const content of contents.flatMap((each) => [each, ...each.holds]))
    for (const each of classesOf(content.substance, content.line)) byClass.set(each, [...(byClass.get(each) ?? []), content])
  const has = (wanted: ClassInVessel) => byClass.get(wanted) ?? []
  return meetings.flatMap((meeting) => {
    if (meeting.with && has(meeting.with).length === 0) return []
    return has(meeting.one).flatMap((one) =>
      has(meeting.other).flatMap((other): Pair[] => (one.substance.id === other.substance.id ? [] : [{ meeting, one, other }])),
    )
  })
}

/** One name for two substances, whichever comes first. */
export const pairName = ({ one, other }: Pick<Pair, 'one' | 'other'>): string =>
  [one.substance.id, other.substance.id].sort().join(' ')

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
    return pairsAmong([...contents, ...perhaps]).flatMap((pair): Met[] => {
      const meant = pair.meeting.meant !== undefined && purposes.includes(pair.meeting.meant.purpose)
      const name = `${pairName(pair)} ${meant} ${pair.meeting.grave === 'heed'}`
      if (seen.has(name)) return []
      seen.add(name)
      return [{ ...pair, step, meant }]
    })
  })
}
