import { printed } from '@/core/words/words'
import type { Lab } from '@/core/lab/lab'
import { namable, wordFigures } from '@/core/operations/wordFigures'
import { lineName } from '@/core/plan/lineName'
import { isCharged, type Plan, type Step } from '@/core/plan/plan'
import type { ReactionTable } from '@/core/reaction/reactionTable'
import { PrintedSentence } from './PrintedSentence'
import { WrittenText } from './WrittenText'

interface Props {
  plan: Plan
  table: ReactionTable
  step: Step
  lab: Lab
  onChange: (part: Record<string, unknown>, what: string) => void
}

const linesOf = (text: string) => text.split('\n').flatMap((line) => (line.trim() === '' ? [] : [line.trim()]))

/** The words of a step as the bench has them: what to do, with amounts that follow the table, how one knows that it is over, and the caution. */
export function PrintedWords({ plan, table, step, lab, onChange }: Props) {
  const insert = (token: string) => `${printed(step.text)}${/\s$|^$/.test(printed(step.text)) ? '' : ' '}{${token}}`
  const blanks = namable(plan, step)
  return (
    <fieldset className="printed">
      <legend>printed for the bench</legend>
      <p>
        <PrintedSentence step={step} table={table} figures={wordFigures(plan, table, step, lab)} />
      </p>
      <WrittenText label="title" value={printed(step.title)} required onText={(title) => onChange({ title }, 'title')} />
      <WrittenText label="what to do" value={printed(step.text)} long onText={(text) => onChange({ text }, 'words')} />
      <span className="insert">
        amount of{' '}
        {plan.lines.filter(isCharged).map((line) => (
          <button type="button" key={line.id} onClick={() => onChange({ text: insert(line.id) }, 'words')}>
            {lineName(plan, line)}
          </button>
        ))}
        {blanks.length > 0 && (
          <>
            {' '}
            or what stands in{' '}
            <select
              className="form-select form-select-sm"
              aria-label="A blank whose figure the words name"
              value=""
              onChange={(event) => onChange({ text: insert(`@${event.currentTarget.value}`) }, 'words')}
            >
              <option value="">choose a blank</option>
              {blanks.map(({ key, label }) => (
                <option key={key} value={key}>
                  {label}
                </option>
              ))}
            </select>
          </>
        )}
      </span>
      {step.kind === 'assemble' && (
        <WrittenText
          label="checks, one to a line"
          value={step.checks.join('\n')}
          long
          required
          onText={(text) => onChange({ checks: linesOf(text) }, 'checks')}
        />
      )}
      {step.kind === 'pause' && (
        <WrittenText
          label="meanwhile"
          value={printed(step.meanwhile)}
          long
          onText={(meanwhile) => onChange({ meanwhile }, 'meanwhile')}
        />
      )}
      <div className="side-by-side">
        <WrittenText
          label="until"
          value={step.until ? printed(step.until) : ''}
          onText={(until) => onChange({ until }, 'finish')}
        />
        <WrittenText
          label="caution"
          value={step.caution ? printed(step.caution) : ''}
          onText={(caution) => onChange({ caution }, 'caution')}
        />
      </div>
    </fieldset>
  )
}
