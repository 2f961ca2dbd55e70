import type { Step } from '@/core/plan/plan'
import { usualStations } from '@/core/plan/stations'
import { NumberField, TextField } from './fields'

interface Props {
  step: Step
  onChange: (part: Record<string, unknown>, what: string) => void
}

const longest = 10_000

/** What a timetable asks of a step: how long at the least and at the most, what the groups share in it, and whether one can stop after it. */
export function StepTimes({ step, onChange }: Props) {
  const { minutes, station, safeStop } = step
  const spans = [
    ['handsOn', 'hands on', step.handsOnMin],
    ['wait', 'waiting', step.waitMin],
  ] as const
  return (
    <details className="step-times" open={minutes !== undefined || station !== undefined || safeStop !== undefined || undefined}>
      <summary>Time, sharing and stopping</summary>
      <div>
        {spans
          .filter(([, , usual]) => usual > 0)
          .map(([key, words, usual]) => {
            const { least, most } = minutes?.[key] ?? { least: usual, most: usual }
            const put = (part: { least?: number; most?: number }) =>
              onChange({ minutes: { ...minutes, [key]: { least, most, ...part } } }, `minutes of ${words}`)
            return (
              <span key={key} className="from-to">
                <NumberField
                  label={`${words} from`}
                  unit="min"
                  value={least}
                  least={-1}
                  most={usual}
                  onNumber={(from) => put({ least: from })}
                />
                <NumberField
                  label="to"
                  unit="min"
                  value={most}
                  least={usual - 1e-9}
                  most={longest}
                  onNumber={(to) => put({ most: to })}
                />
              </span>
            )
          })}
        <TextField
          label="shared by the groups"
          usual={usualStations}
          value={station ?? ''}
          onText={(text) => onChange({ station: text || undefined }, 'what is shared')}
        />
        <TextField
          label="one can stop after it: until it goes on"
          value={safeStop?.meanwhile ?? ''}
          width="wide"
          onText={(meanwhile) => onChange({ safeStop: meanwhile ? { ...safeStop, meanwhile } : undefined }, 'safe stop')}
        />
        {safeStop && (
          <NumberField
            label="for at most"
            unit="h"
            value={safeStop.hours ?? 0}
            most={longest}
            onNumber={(hours) => onChange({ safeStop: { ...safeStop, hours } }, 'safe stop')}
          />
        )}
      </div>
    </details>
  )
}
