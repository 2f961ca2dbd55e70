import type { HistoryView } from '@/views/plans'
import { memo } from 'react'
import { Link } from '../page/Link'
import { longDay } from '../time'

interface Props {
  history: readonly HistoryView[]
  preparation: string
  zone: string
  /** Number of the revision that is looked at. */
  current: number
}

/** The revisions of a preparation, the newest first, each with what changed. */
export const History = memo(function History({ history, preparation, zone, current }: Props) {
  if (history.length === 0) return null
  return (
    <section className="history">
      <h2 className="section-title">Revisions</h2>
      <ul>
        {history.map(({ number, state, at, by }, index) => (
          <li key={number}>
            {number === current ? <b>{number}</b> : <Link href={`/desk/${preparation}?revision=${number}`}>{number}</Link>}{' '}
            {state}, {longDay(at, zone)}, {by}
            {history[index + 1] && (
              <>
                {' '}
                <Link href={`/desk/${preparation}/compare?from=${history[index + 1]!.number}&to=${number}`}>
                  what changed since {history[index + 1]!.number}
                </Link>
              </>
            )}
          </li>
        ))}
      </ul>
    </section>
  )
})
