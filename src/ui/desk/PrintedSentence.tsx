import { printed } from '@/core/words/words'
import type { Step } from '@/core/plan/plan'
import type { ReactionTable } from '@/core/reaction/reactionTable'
import { stepText } from '@/core/reaction/stepText'

interface Props {
  step: Step
  table: ReactionTable
  /** What stands in the blanks that its words name. */
  figures: Readonly<Record<string, string>>
}

/** The sentence of a step as it is printed, with amounts that follow the table and figures that follow its blanks. */
export function PrintedSentence({ step, table, figures }: Props) {
  return (
    <span>
      {stepText(step.text, table, figures).map((piece, index) =>
        piece.kind === 'amount' ? (
          <span key={index}>
            <span className={`fig ${piece.typed ? 'typed' : 'derived'}`}>{piece.amount}</span> {piece.name}
          </span>
        ) : (
          <span key={index} className={piece.kind === 'figure' ? 'fig' : undefined}>
            {piece.text}
          </span>
        ),
      )}
      {step.kind === 'pause' && printed(step.meanwhile) && ` Until it goes on: ${printed(step.meanwhile)}`}
    </span>
  )
}
