import { statementText } from '@/reference/hazardStatements'
import type { GraverNote } from '@/reference/graver'
import { State } from '../figures/State'

/** What is known to be graver now than when the plan was written; nothing where that is nothing. */
export function GraverSince({ notes }: { notes: readonly GraverNote[] }) {
  if (notes.length === 0) return null
  return (
    <div className="graver-since" role="note">
      <State level="danger">Graver since this plan was written</State>
      <ul>
        {notes.map(({ substance, news }) => (
          <li key={substance}>
            <b>{substance}:</b> {news.map(statementText).join('. ')}.
          </li>
        ))}
      </ul>
    </div>
  )
}
