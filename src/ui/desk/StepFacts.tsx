import { stepContents } from '@/core/operations/vessel/contents'
import { dispensedAs, type Plan, type Step } from '@/core/plan/plan'
import { readingsOf } from '@/core/operations/readings'
import { written } from '@/core/quantity/figure'
import { writeFigureText, writeNumber } from '@/core/quantity/write'
import type { ReactionTable } from '@/core/reaction/reactionTable'
import { Pictogram } from '../figures/Pictogram'

/** What follows from the steps before: what the vessel holds now and how full it is, its hazards, and the readings that are due. */
export function StepFacts({ plan, table, step }: { plan: Plan; table: ReactionTable; step: Step }) {
  const now = stepContents(plan, table).find((each) => each.step === step.id)!
  const pictograms = [...new Set(now.contents.flatMap(({ substance }) => substance.hazards?.pictograms ?? []))].sort()
  const readings = readingsOf(plan, step)
  const amount = (value: number) => writeNumber(value, value < 2 ? 2 : value < 20 ? 1 : 0)
  const vessel = now.vessel
    ? ` in a ${now.vessel.sizeML} mL ${now.vessel.kind}, ${writeNumber((100 * now.volumeML) / now.vessel.sizeML, 0)} % full`
    : ''
  return (
    <div className="wide facts">
      {now.perhaps.length > 0 && (
        <p className="doubt">
          What else is in the vessel is not known: a step of your own before this one does not say what becomes of it.
        </p>
      )}
      {now.contents.length > 0 && (
        <p>
          <b>
            About {amount(now.volumeML)} mL{vessel}:
          </b>{' '}
          {now.contents
            .map(({ line, substance, volumeML, massG }) => {
              const measured = dispensedAs(line) === 'mass' || volumeML === null ? massG : volumeML
              const dimension = measured === massG ? 'mass' : 'volume'
              return `${measured === null ? '' : `${writeFigureText(written(measured, measured < 2 ? 2 : 1), dimension)} `}${substance.name}`
            })
            .join(', ')}
        </p>
      )}
      {pictograms.length > 0 && (
        <span className="pictograms">
          {pictograms.map((code) => (
            <Pictogram key={code} code={code} />
          ))}
        </span>
      )}
      {readings !== '' && (
        <p>
          <b>To be written down:</b> {readings}
        </p>
      )}
    </div>
  )
}
