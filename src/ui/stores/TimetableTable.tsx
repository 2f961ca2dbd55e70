import type { Step } from '@/core/plan/plan'
import { printed } from '@/core/words/words'
import type { Slot, Work } from '@/core/timetable/work'
import type { RowShown } from './TimetablePicture'

interface Props {
  rows: readonly RowShown[]
  steps: readonly Step[]
  slots: readonly Slot[]
  work: Work
  clock: (minutes: number) => string
  closesMin: number
}

/** The same in figures: when each group begins each step; what it waits for before is said beside it. */
export function TimetableTable({ rows, steps, slots, work, clock, closesMin }: Props) {
  const begins = (group: number, step: string) =>
    slots.find((slot) => slot.group === group && work.groups[group]!.tasks[slot.task]!.step === step)
  return (
    <div className="board-scroll" tabIndex={0} role="region" aria-label="When each group begins each step">
      <table className="ruled timetable-table">
        <thead>
          <tr>
            <th scope="col">bench</th>
            {steps.map(({ id, title }) => (
              <th scope="col" key={id}>
                {printed(title)}
              </th>
            ))}
            <th scope="col">done</th>
          </tr>
        </thead>
        <tbody>
          {rows.map((row, group) => (
            <tr key={row.bench}>
              <th scope="row">
                <b className="fig">{row.bench}</b> {row.members}
              </th>
              {steps.map(({ id }) => {
                const slot = begins(group, id)
                const queue = slot ? Math.round(slot.begin - slot.ready) : 0
                return (
                  <td key={id} className="fig">
                    {slot && clock(slot.begin)}
                    {queue > 0 && <small className="doubt"> after {queue} min in the queue</small>}
                  </td>
                )
              })}
              <td className={`fig${row.endMin > closesMin + 0.5 ? ' late' : ''}`}>{clock(row.endMin)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  )
}
