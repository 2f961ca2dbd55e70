import { printed } from '@/core/words/words'
import type { Step } from '@/core/plan/plan'
import type { ReactionTable } from '@/core/reaction/reactionTable'
import { stepText } from '@/core/reaction/stepText'

/** The sentence of a step as it is printed, with amounts that follow the table. */
export function PrintedSentence({ step, table }: { step: Step; table: ReactionTable }) {
  return (
    <span>
      {stepText(step.text, table).map((piece, index) =>
        piece.kind === 'text' ? (
          <span key={index}>{piece.text}</span>
        ) : (
          <span key={index}>
            <span className={`fig ${piece.typed ? 'typed' : 'derived'}`}>{piece.amount}</span> {piece.name}
          </span>
        ),
      )}
      {step.kind === 'pause' && printed(step.meanwhile) && ` Until it goes on: ${printed(step.meanwhile)}`}
    </span>
  )
}
