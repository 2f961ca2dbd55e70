import { Link } from '../page/Link'
import { Button } from 'react-bootstrap'
import type { Plan } from '@/core/plan/plan'
import { clockTime } from '../time'
import type { Saving } from './keptDraft'
import type { useDraft } from './useDraft'

interface Props {
  plan: Plan
  draft: ReturnType<typeof useDraft>
  preparation: string
  zone: string
  readOnly: boolean
  onPublish: () => void
}

/** Title, revision and how safe it is, and what can be done with the whole. */
export function DeskHead({ plan, draft, preparation, zone, readOnly, onPublish }: Props) {
  const { base, past, future, saving } = draft
  return (
    <div className="head">
      <h1>{plan.title}</h1>
      <span className="sub" data-testid="revision">
        {base.state === 'draft' ? `draft ${base.number}` : `revision ${base.number}, ${base.state}`}
        {base.state === 'draft' ? (
          <SavingWords saving={saving} savedAt={base.savedAt} zone={zone} />
        ) : readOnly || past.length > 0 ? (
          ''
        ) : (
          <span className="no-print">, frozen: a change starts a draft</span>
        )}
      </span>
      <Link className="sub no-print" href={`/desk/${preparation}/safety?revision=${base.number}`}>
        Safety sheet
      </Link>
      <Link className="sub no-print" href={`/desk/${preparation}/handout?revision=${base.number}`}>
        Handout
      </Link>
      {!readOnly && (
        <div className="actions">
          <Button
            variant="quiet"
            disabled={past.length === 0}
            onClick={() => draft.travel('undo')}
            title={past.at(-1) ? `Undo: ${past.at(-1)!.label}` : undefined}
          >
            Undo
          </Button>
          <Button
            variant="quiet"
            disabled={future.length === 0}
            onClick={() => draft.travel('redo')}
            title={future.at(-1) ? `Redo: ${future.at(-1)!.label}` : undefined}
          >
            Redo
          </Button>
          <Button variant="quiet" onClick={() => window.print()}>
            Print
          </Button>
          {base.state === 'draft' ? (
            <Button onClick={() => onPublish()}>Publish draft {base.number}</Button>
          ) : (
            <Link className="btn btn-primary" href={`/class/new?revision=${base.id}`}>
              Set a lab session
            </Link>
          )}
        </div>
      )}
    </div>
  )
}

function SavingWords({ saving, savedAt, zone }: { saving: Saving; savedAt: string; zone: string }) {
  switch (saving.state) {
    case 'saved':
      return <span>, saved {clockTime(savedAt, zone)}</span>
    case 'saving':
      return <span>, saving</span>
    case 'conflict':
      return <span className="doubt">, not saved: changed in another window</span>
    case 'kept':
      return <span className="doubt">, kept on this device: {saving.why}</span>
    case 'refused':
      return <span className="danger">, not saved: {saving.why}</span>
  }
}
