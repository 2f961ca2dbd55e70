import { useRouter } from 'next/navigation'
import { useEffect, useMemo, useState } from 'react'
import { Button } from 'react-bootstrap'
import { counted, withSaid } from '@/core/reading/handout/decide'
import type { Disagreement, Proposal } from '@/core/reading/handout/proposal'
import { planAndSteps } from '@/core/reading/handout/planFrom'
import { reactionTable } from '@/core/reaction/reactionTable'
import type { Substance } from '@/core/substance/substance'
import { call } from '../../call'
import { SubstancePicker } from '../SubstancePicker'
import { Disagreements } from './Disagreements'
import { HandoutText } from './HandoutText'
import { forgetHandout } from './keptHandout'
import { LineRows } from './LineRows'
import { numbersOf } from './marks'
import { StepRows } from './StepRows'
import type { Deed, useSaid } from './useSaid'

type ReadProps = Pick<ReturnType<typeof useSaid>, 'said' | 'mayUndo' | 'mayRedo' | 'say' | 'undo' | 'redo'> & {
  course: string
  proposal: Proposal
  onAnother: () => void
  onMaking: (substance: Substance | null) => void
}

const plural = (count: number, one: string, more = `${one}s`) => `${count} ${count === 1 ? one : more}`

/** What was read from a procedure, beside its text, joined by numbers: what asks is answered here, and what stands is taken as a preparation. */
export function ReadHandout({ course, proposal, said, mayUndo, mayRedo, say, undo, redo, onAnother, onMaking }: ReadProps) {
  const router = useRouter()
  const [at, setAt] = useState<string>()
  const [openItem, setOpenItem] = useState<string>()
  const [busy, setBusy] = useState(false)
  const [problem, setProblem] = useState<string>()
  const now = useMemo(() => withSaid(proposal, said), [proposal, said])
  const { plan, stepOf } = useMemo(() => planAndSteps(now), [now])
  const table = useMemo(() => reactionTable(plan), [plan])
  const numbers = useMemo(() => numbersOf(proposal), [proposal])
  const { sure, asking } = counted(now)

  useEffect(() => {
    const keys = (event: KeyboardEvent) => {
      if (!(event.ctrlKey || event.metaKey) || event.key.toLowerCase() !== 'z') return
      if (event.target instanceof HTMLInputElement || event.target instanceof HTMLTextAreaElement) return
      event.preventDefault()
      if (event.shiftKey) redo()
      else undo()
    }
    window.addEventListener('keydown', keys)
    return () => window.removeEventListener('keydown', keys)
  }, [undo, redo])

  const show = (id: string) => {
    setAt(id)
    document.getElementById(`read-${id}`)?.scrollIntoView({ block: 'nearest' })
  }
  const showPlace = ({ at: places }: Disagreement) => {
    const [first] = places
    const line = proposal.lines.find(({ spans }) =>
      spans.some((span) => first && first.from >= span.from && first.from < span.to),
    )
    const step = proposal.steps.find(
      (each) => each.offered === undefined && first && first.from >= each.read.from && first.from < each.read.to,
    )
    const found = line?.id ?? step?.id
    if (found) show(found)
    document.querySelector('.handout-text mark.on')?.scrollIntoView({ block: 'center' })
  }
  const write = async () => {
    if (busy) return
    setBusy(true)
    setProblem(undefined)
    try {
      const { id } = await call<{ id: string }>(`/api/courses/${course}/preparations`, 'POST', { file: JSON.stringify(plan) })
      forgetHandout()
      router.push(`/desk/${id}`)
    } catch (error) {
      setProblem((error as Error).message)
      setBusy(false)
    }
  }
  const nothing = proposal.lines.length === 0 && proposal.steps.length === 0
  const made = now.lines.find(({ id }) => id === now.product)
  /** What “concentrated” is said to be once holds for every bottle of the same substance that asks the same. */
  const sayAlike = (deed: Deed) => {
    say(deed)
    if (deed.do !== 'answer') return
    const [item, ask] = deed.key.split('/')
    const line = proposal.lines.find(({ id }) => id === item)
    const question = line?.asks.find(({ id }) => id === ask)
    if (!line?.substance || ask !== 'strength' || !question) return
    for (const other of proposal.lines) {
      const key = `${other.id}/strength`
      const same =
        other.substance?.id === line.substance.id && other.asks.some(({ id, words }) => id === ask && words === question.words)
      if (other !== line && same && said.answers[key] === undefined) say({ do: 'answer', key, choice: deed.choice })
    }
  }
  const rows = {
    proposal,
    now,
    plan,
    table,
    said,
    numbers,
    at,
    open: openItem,
    onAt: setAt,
    onSay: sayAlike,
    onOpen: (id: string) => setOpenItem(openItem === id ? undefined : id),
  }
  return (
    <main className="reading" id="work">
      <header className="reading-head">
        <h1>Reading a procedure</h1>
        <p className="quiet" role="status">
          {nothing
            ? 'nothing was read'
            : `${plural(sure, 'item')} ready, ${plural(asking, 'asks', 'ask')}, ${plural(proposal.left.length, 'sentence stays', 'sentences stay')} as words; nothing is kept yet`}
        </p>
        <div className="tools">
          <button type="button" className="link" onClick={undo} disabled={!mayUndo}>
            Undo
          </button>
          <button type="button" className="link" onClick={redo} disabled={!mayRedo}>
            Redo
          </button>
          <button type="button" className="link" onClick={onAnother}>
            Another text
          </button>
          {!nothing && (
            <Button onClick={() => void write()} disabled={busy || plan.lines.length === 0}>
              {asking > 0 ? `Take what is sure (${sure})` : `Take all (${sure})`}
            </Button>
          )}
        </div>
      </header>
      {problem && (
        <div className="problem" role="alert">
          {problem}
        </div>
      )}
      <div className="reading-columns">
        <HandoutText proposal={proposal} numbers={numbers} left={said.left} at={at} onPick={show} />
        {nothing ? (
          <section className="nothing-read">
            <h2>No procedure was found in this text</h2>
            <p>
              Mozle looks for amounts of substances (5.0 mL of aniline), a table of reagents, and what is done with them (heat
              under reflux for 15 min). Paste the part of the text that says how it is made.
            </p>
          </section>
        ) : (
          <section className="proposal" aria-label="What was read">
            <Disagreements all={now.disagreements} onShow={showPlace} />
            <div className="headline">
              <label>
                Title
                <input
                  className="form-control form-control-sm"
                  value={now.title}
                  onChange={(event) => say({ do: 'title', title: event.currentTarget.value })}
                />
              </label>
              <p>
                {now.does === 'makes'
                  ? 'It makes '
                  : now.does === 'isolates'
                    ? 'It gets back '
                    : 'It makes nothing that is counted. '}
                {made && <b>{made.substance?.name}</b>}
              </p>
              <SubstancePicker
                course={course}
                label={made ? 'It makes something else: name or formula' : 'It makes: name or formula'}
                onPick={({ substance }) => onMaking(substance)}
              />
            </div>
            <h2>
              Reaction table <small>{now.balanced ? 'balanced' : 'the equation does not balance yet'}</small>
            </h2>
            <LineRows course={course} {...rows} />
            <h2>
              Procedure <small>{plural(now.steps.length, 'step')}</small>
            </h2>
            <StepRows {...rows} stepOf={stepOf} />
            <p className="quiet keys">
              Arrows go from row to row, 1 to 4 answer, Enter changes, Delete leaves out, Ctrl and Z take back.
            </p>
          </section>
        )}
      </div>
    </main>
  )
}
