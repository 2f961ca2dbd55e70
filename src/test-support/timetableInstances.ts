import { repeatable } from '@/core/quantity/repeatable'
import { exactly, type Task, type Work } from '@/core/timetable/work'

/**
 * The classes against which the search for a timetable is measured. Their seeds stood here before the search was written: 30 of them, 8 to 60 groups.
 * Each draws a preparation of 10 to 40 tasks, a third of them at a station; what there is of a station is drawn between scarce and plenty.
 */
export const instanceSeeds = Array.from({ length: 30 }, (_each, index) => 7_001 + 13 * index)

const stationNames = ['balance', 'melting-point apparatus', 'hood place', 'rotary evaporator', 'oven place', 'signature']

export function instanceOf(seed: number): Work {
  const random = repeatable(seed)
  const between = (low: number, high: number) => low + Math.floor(random() * (high - low + 1))
  const groups = between(8, 60)
  const stations = stationNames.slice(0, between(2, stationNames.length)).map((name) => ({ name, count: 0 }))
  const tasks = Array.from({ length: between(10, 40) }, (_each, index): Task => {
    const atStation = random() < 1 / 3
    const waits = !atStation && random() < 0.3
    return {
      step: `step-${index + 1}`,
      hands: exactly(atStation ? between(2, 12) : between(3, 20)),
      wait: exactly(waits ? between(5, 45) : 0),
      station: atStation ? between(0, stations.length - 1) : null,
    }
  })
  // As many of each as let its work pass in between a third and all of a session of four hours.
  stations.forEach((station, index) => {
    const each = tasks.reduce((sum, task) => (task.station === index ? sum + task.hands.usual + task.wait.usual : sum), 0)
    station.count = Math.max(1, Math.round((each * groups) / (240 * (1 / 3 + (2 / 3) * random()))))
  })
  return { stations, groups: Array.from({ length: groups }, () => ({ tasks, startMin: 0 })) }
}
