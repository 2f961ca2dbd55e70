/** Minutes of one part of the work: what it takes at the least, usually and at the most. One class in twenty is quicker, and one in twenty slower, than its ends. */
export interface Minutes {
  least: number
  usual: number
  most: number
}

/** One thing that a group does. */
export interface Task {
  /** The step that it is of. */
  step: string
  /** Minutes in which the group has its hands on it or watches it. */
  hands: Minutes
  /** Minutes in which it waits by itself, after that. */
  wait: Minutes
  /** Index of the station that it holds from beginning to end; null where it needs none. */
  station: number | null
  /** It is done while the task before it waits by itself, and what follows begins when both are over. */
  beside?: true
}

/** What the groups share in the room, and how many of it there are. */
export interface Station {
  name: string
  count: number
}

/** A class: what each group does in its order, what they share, and when each begins. */
export interface Work {
  stations: readonly Station[]
  groups: readonly { tasks: readonly Task[]; startMin: number }[]
}

/** When a task is done, in minutes from the beginning of the session. */
export interface Slot {
  group: number
  /** Index among the tasks of its group. */
  task: number
  /** When the group and what it needs for the task are ready; from here to `begin` it stands in a queue. */
  ready: number
  begin: number
  /** When the group's hands are free again. */
  free: number
  end: number
}

/** Minutes that are always the same. */
export const exactly = (minutes: number): Minutes => ({ least: minutes, usual: minutes, most: minutes })
