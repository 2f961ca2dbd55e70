'use client'

import Link from 'next/link'
import { useEffect, useMemo, useState } from 'react'
import { Button, Modal } from 'react-bootstrap'
import type { Lab } from '@/core/lab/lab'
import { addLine } from '@/core/plan/editPlan'
import { lineName } from '@/core/plan/lineName'
import { roles, type Plan, type Role } from '@/core/plan/plan'
import { type Substance } from '@/core/substance/substance'
import { readFromWords, takeAsOwn } from '@/core/edit/readFromWords'
import { queriesOf } from '@/core/query/queries'
import { editCoefficient, editLine, type Column } from '@/core/edit/editLine'
import { reactionTable } from '@/core/reaction/reactionTable'
import { working } from '@/core/reaction/working'
import { holds, type Bottle } from '@/core/stores/bottle'
import { State } from '../figures/State'
import { Margin, type MarginNote } from '../page/Margin'
import { WorkingNote } from '../page/WorkingNote'
import { clockTime, longDay } from '../time'
import { GreenLine } from './GreenLine'
import { LineEditor } from './LineEditor'
import { OwnSubstance } from './OwnSubstance'
import { PlanWords } from './PlanWords'
import { ProcedureStrip } from './ProcedureStrip'
import { QueryNote } from './QueryNote'
import { ReadNote } from './ReadNote'
import type { CellActions, CellPlace } from './QuantityCell'
import { columns, ReactionTableView } from './ReactionTableView'
import { KeepOrCopy } from './KeepOrCopy'
import { ScaleDialog } from './ScaleDialog'
import { Scheme } from './Scheme'
import { SequenceLine } from './SequenceLine'
import { SubstancePicker, type FoundSubstance } from './SubstancePicker'
import type { Base, Saving } from './draftKeeper'
import { useEarlier } from './useEarlier'
import { useDraft } from './useDraft'
import { useSettled } from './useSettled'
import { useStable } from './useStable'

export interface DeskProps {
  course: string
  preparation: string
  opened: { base: Base; plan: Plan }
  history: { number: number; state: Base['state']; at: string; by: string }[]
  /** True for a preparation that is put away. */
  archived: boolean
  shelf: Bottle[]
  /** Titles of the other preparations of the course, from which a sequence may go on. */
  otherTitles: string[]
  /** The plans that lead to this one, the nearest first. */
  earlier: Plan[]
  drawings: Record<string, string>
  lab: Lab
  solvents: readonly Substance[]
  mayWrite: boolean
  /** True when an older revision is looked at: it is read, not changed. */
  older: boolean
  zone: string
}

/** Text in a cell that is being typed, or was refused: then with the reason, and with its line as it stood. */
type Texts = Record<string, { text: string; problem?: string; line?: string }>

const keyOf = ({ line, column }: CellPlace) => `${line} ${column}`

/** One preparation on the Desk: scheme, reaction table and procedure on the page; workings, queries and cautions in the margin. */
export function Desk(props: DeskProps) {
  const {
    course,
    preparation,
    opened,
    history,
    archived,
    shelf,
    otherTitles,
    earlier,
    drawings,
    lab,
    solvents,
    mayWrite,
    older,
    zone,
  } = props
  const draft = useDraft(preparation, opened)
  const { plan, base, past, future, saving } = draft
  const others = useEarlier(course, plan, earlier)
  const readOnly = !mayWrite || older
  const [texts, setTexts] = useState<Texts>({})
  const [focus, setFocus] = useState<CellPlace | null>(null)
  const [openLine, setOpenLine] = useState<string>()
  const [role, setRole] = useState<Role>('reactant')
  const [own, setOwn] = useState<string>()
  const [scaling, setScaling] = useState(false)
  const [words, setWords] = useState(false)
  const [drawn, setDrawn] = useState(drawings)
  const [publishing, setPublishing] = useState<{ problem?: string; safetyRead?: boolean } | null>(null)

  // While a figure is being typed the table already follows it, but it is written down only on Enter or on leaving the cell.
  const typing = focus && texts[keyOf(focus)]
  const shown = useMemo(() => {
    if (!typing || !focus || focus.column === 'excess') return plan
    const read = editLine(plan, focus.line, focus.column, typing.text)
    return read.ok ? read.value : plan
  }, [plan, typing, focus])
  const table = useMemo(() => reactionTable(shown), [shown])
  // Scheme, procedure and queries follow when the keys rest, so that typing never waits for them.
  const later = useSettled(shown, typing != null)
  const laterTable = useMemo(() => (later === shown ? table : reactionTable(later)), [later, shown, table])
  const queries = useMemo(() => queriesOf(later, laterTable), [later, laterTable])
  const open = queries.filter(({ answer }) => answer === undefined)
  const note = useMemo(
    () =>
      // A line that has just been added is not in the later plan yet.
      focus && later.lines.some(({ id }) => id === focus.line) ? working(later, laterTable, focus.line, focus.column) : null,
    [focus, later, laterTable],
  )

  // What was refused goes as soon as its line has become right in any other way.
  const stillWrong = useMemo(() => {
    const entries = Object.entries(texts)
    const left = entries.filter(
      ([key, { line }]) => line === undefined || line === JSON.stringify(lineIn(plan, key.slice(0, key.lastIndexOf(' ')))),
    )
    return left.length === entries.length ? texts : Object.fromEntries(left)
  }, [texts, plan])
  const nameOf = (id: string) => {
    const line = plan.lines.find((each) => each.id === id)
    return line ? lineName(plan, line) : id
  }
  const without = (place: CellPlace) =>
    setTexts((all) => Object.fromEntries(Object.entries(all).filter(([key]) => key !== keyOf(place))))

  const commit = (place: CellPlace) => {
    const kept = texts[keyOf(place)]
    if (kept === undefined || place.column === 'excess') return
    if (kept.text.trim() === '') return without(place)
    const read = editLine(plan, place.line, place.column as Column, kept.text)
    if (read.ok) {
      without(place)
      draft.change(read.value, `${place.column} of ${nameOf(place.line)}`)
    } else
      setTexts((all) => ({
        ...all,
        [keyOf(place)]: { text: kept.text, problem: read.problem, line: JSON.stringify(lineIn(plan, place.line)) },
      }))
  }

  const actions = useStable<CellActions>({
    focus: setFocus,
    text: (place, text) => setTexts((all) => ({ ...all, [keyOf(place)]: { text } })),
    commit,
    restore: without,
    working: () => document.querySelector<HTMLElement>('.working')?.focus(),
  })
  const { coefficient } = useStable({
    coefficient: (line: string, text: string) => {
      const read = editCoefficient(plan, line, text)
      if (!read.ok) return read.problem
      draft.change(read.value, `coefficient of ${nameOf(line)}`)
      return undefined
    },
  })

  const addSubstance = ({ substance, drawing }: FoundSubstance) => {
    const next = addLine(plan, substance, role)
    const line = next.lines.find(({ id }) => !plan.lines.some((other) => other.id === id))!
    if (drawing) setDrawn((all) => ({ ...all, [line.substance]: drawing }))
    draft.change(next, `${substance.name} added`)
    setOwn(undefined)
    // A further reactant is most often said by its ratio.
    if (role === 'reactant') focusCell(line.id, 3)
    else focusCell(line.id, line.form.kind === 'solid' ? 0 : 1)
  }

  const { travel } = draft
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (!(event.ctrlKey || event.metaKey) || event.altKey) return
      const key = event.key.toLowerCase()
      const direction =
        key === 'z' && !event.shiftKey ? 'undo' : key === 'y' || (key === 'z' && event.shiftKey) ? 'redo' : undefined
      // Half-typed text has its own undo; the plan's begins where that ends.
      const field = document.activeElement
      if (!direction || field instanceof HTMLTextAreaElement || document.querySelector('.cell.editing')?.contains(field)) return
      event.preventDefault()
      travel(direction)
    }
    window.addEventListener('keydown', onKey)
    return () => window.removeEventListener('keydown', onKey)
  }, [travel])

  const { change } = draft
  const notes = useMemo(() => {
    const notes: MarginNote[] = []
    if (note && focus)
      notes.push({
        key: 'working',
        about: focus.line,
        inView: true,
        node: <WorkingNote working={note} onLeave={() => backToCell(focus)} />,
      })
    for (const query of queries) {
      notes.push({
        key: query.id,
        about: query.about,
        node: (
          <QueryNote
            query={query}
            readOnly={readOnly}
            onRemedy={() => change(query.remedy!.apply(plan), query.remedy!.label.toLowerCase())}
            onAnswer={(reason) =>
              change(
                {
                  ...plan,
                  answers: [
                    ...plan.answers.filter((answer) => answer.query !== query.id),
                    ...(reason === null ? [] : [{ query: query.id, reason }]),
                  ],
                },
                reason === null ? `answer to “${query.title}” taken back` : `answer to “${query.title}”`,
              )
            }
          />
        ),
      })
    }
    const unread = readOnly || base.state !== 'draft' ? [] : plan.steps.filter(({ read }) => read)
    for (const step of unread)
      notes.push({
        key: `read-${step.id}`,
        about: step.id,
        node: (
          <ReadNote
            phrases={readFromWords(step)}
            more={unread.length - 1}
            onOwn={(all) =>
              change(
                takeAsOwn(plan, all ? undefined : step.id),
                all ? 'what was read taken over' : `what was read of “${step.title}” taken over`,
              )
            }
          />
        ),
      })
    const cautioned = new Set<string>()
    for (const line of plan.lines) {
      const substance = plan.substances.find(({ id }) => id === line.substance)
      if (!substance?.caution || cautioned.has(substance.id) || line.role === 'by-product') continue
      cautioned.add(substance.id)
      notes.push({
        key: `caution-${substance.id}`,
        about: line.id,
        node: (
          // On paper each caution stands with its line.
          <div className="no-print">
            <h3>
              <State level="danger">{substance.name}</State>
            </h3>
            <p>{substance.caution}</p>
          </div>
        ),
      })
    }
    if (cautioned.size > 0) {
      notes.push({
        key: 'deference',
        about: plan.lines.at(-1)!.id,
        node: (
          <p className="quiet">
            These cautions are advice for a supervised laboratory. The supplier’s safety data sheet, your local rules and the
            qualified person in charge decide.
          </p>
        ),
      })
    }
    return notes
  }, [plan, queries, note, focus, readOnly, base.state, change])

  return (
    <div className="with-margin">
      <main className="page desk">
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
          {!readOnly && (
            <div className="actions">
              <Button
                variant="quiet"
                disabled={past.length === 0}
                onClick={() => travel('undo')}
                title={past.at(-1) ? `Undo: ${past.at(-1)!.label}` : undefined}
              >
                Undo
              </Button>
              <Button
                variant="quiet"
                disabled={future.length === 0}
                onClick={() => travel('redo')}
                title={future.at(-1) ? `Redo: ${future.at(-1)!.label}` : undefined}
              >
                Redo
              </Button>
              <Button variant="quiet" onClick={() => window.print()}>
                Print
              </Button>
              {base.state === 'draft' ? (
                <Button onClick={() => setPublishing({})}>Publish draft {base.number}</Button>
              ) : (
                <Link className="btn btn-primary" href={`/class/new?revision=${base.id}`}>
                  Set a lab session
                </Link>
              )}
            </div>
          )}
        </div>
        <p className="aim quiet">
          {plan.aim}{' '}
          {!readOnly && (
            <button type="button" className="opens no-print" aria-expanded={words} onClick={() => setWords(!words)}>
              {plan.aim === '' ? 'Write aim and conditions' : 'Change the words'}
            </button>
          )}
        </p>
        {words && !readOnly && <PlanWords plan={plan} onChange={draft.change} />}
        {saving.state === 'conflict' && (
          <div className="conflict" role="alert">
            <State level="doubt">
              {saving.theirs.savedBy} saved this draft in another window at {clockTime(saving.theirs.base.savedAt, zone)}. Your
              changes are kept here.
            </State>
            <Button size="sm" variant="secondary" onClick={() => draft.settle('mine')}>
              Write mine over it
            </Button>
            <Button size="sm" variant="outline-secondary" onClick={() => draft.settle('theirs')}>
              Take theirs
            </Button>
          </div>
        )}
        {draft.unkept && (
          <p className="problem" role="alert">
            This device keeps nothing over a reload: its storage is full or forbidden. What is saved is safe; stay on this page
            until it says so.
          </p>
        )}
        <Scheme plan={later} drawings={drawn} readOnly={readOnly} onCoefficient={coefficient} />
        <SequenceLine plan={later} others={others} onChange={readOnly ? undefined : draft.change} />
        <ReactionTableView
          plan={shown}
          table={table}
          readOnly={readOnly}
          texts={stillWrong}
          actions={actions}
          openLine={readOnly ? undefined : openLine}
          onOpen={(line) => setOpenLine(openLine === line ? undefined : line)}
          editor={(computed) => (
            <LineEditor
              plan={plan}
              computed={computed}
              shelf={shelf.filter((bottle) => holds(bottle, computed))}
              otherTitles={otherTitles}
              onChange={draft.change}
            />
          )}
        />
        {!readOnly && (
          <div className="add-line no-print">
            <SubstancePicker course={course} label="Add a substance: name or formula" onPick={addSubstance} onOwn={setOwn} />
            <label>
              as{' '}
              <select
                className="form-select form-select-sm"
                aria-label="Part of the substance that is added"
                value={role}
                onChange={(event) => setRole(event.currentTarget.value as Role)}
              >
                {roles.map((each) => (
                  <option key={each}>{each}</option>
                ))}
              </select>
            </label>
            <Button variant="quiet" size="sm" onClick={() => setScaling(true)}>
              Scale the plan
            </Button>
          </div>
        )}
        <GreenLine plan={shown} table={table} revision={base.id} />
        <ProcedureStrip
          plan={later}
          table={laterTable}
          lab={lab}
          solvents={solvents}
          onChange={readOnly ? undefined : draft.change}
        />
        <History history={history} preparation={preparation} zone={zone} current={base.number} />
        {mayWrite && (
          <KeepOrCopy
            preparation={preparation}
            archived={archived}
            draft={base.state === 'draft' ? base.id : undefined}
            onDiscard={draft.discard}
          />
        )}
      </main>
      <Margin notes={notes} label="Margin: workings, queries and cautions" />
      {own !== undefined && <OwnSubstance course={course} name={own} onClose={() => setOwn(undefined)} onTake={addSubstance} />}
      {scaling && (
        <ScaleDialog
          plan={plan}
          table={reactionTable(plan)}
          shelf={shelf}
          onClose={() => setScaling(false)}
          onScale={(scaled, label) => {
            draft.change(scaled, label)
            setScaling(false)
          }}
        />
      )}
      <Modal show={publishing !== null} onHide={() => setPublishing(null)} centered aria-labelledby="publish-title">
        <Modal.Header closeButton>
          <Modal.Title as="h2" id="publish-title">
            Publish draft {base.number} of {plan.title}
          </Modal.Title>
        </Modal.Header>
        <Modal.Body>
          <p>From then on it is frozen, and lab sessions can be set with it. A later change starts a new draft.</p>
          {open.length > 0 && (
            <State level="doubt">
              {open.length === 1 ? 'One query has no answer' : `${open.length} queries have no answer`}:{' '}
              {open.map(({ title }) => title.toLowerCase()).join('; ')}.
            </State>
          )}
          <label className="confirm-safety">
            <input
              type="checkbox"
              checked={publishing?.safetyRead ?? false}
              onChange={(event) => setPublishing({ safetyRead: event.currentTarget.checked })}
            />{' '}
            I have read the{' '}
            <a href={`/desk/${preparation}/safety?revision=${base.number}`} target="_blank" rel="noreferrer">
              safety sheet of this draft
            </a>{' '}
            and confirm it. It defers to the safety data sheets, to local rules and to the qualified person in charge.
          </label>
          {publishing?.problem && <div className="problem">{publishing.problem}</div>}
        </Modal.Body>
        <Modal.Footer>
          <Button variant="quiet" onClick={() => setPublishing(null)}>
            Not yet
          </Button>
          <Button
            disabled={!publishing?.safetyRead}
            onClick={() =>
              draft
                .publish()
                .then(() => setPublishing(null))
                .catch((error: Error) => setPublishing({ problem: error.message }))
            }
          >
            Publish and freeze
          </Button>
        </Modal.Footer>
      </Modal>
    </div>
  )
}

const lineIn = (plan: Plan, id: string) => plan.lines.find((line) => line.id === id)

/** Puts the cursor into a figure of a line as soon as the line stands in the table. */
function focusCell(line: string, column: number): void {
  requestAnimationFrame(() =>
    document
      .querySelector(`.reaction [data-about="${CSS.escape(line)}"]`)
      ?.querySelector<HTMLElement>(`[data-cell$=" ${column}"]`)
      ?.focus(),
  )
}

/** From the working back to the figure it is about. */
function backToCell({ line, column }: CellPlace): void {
  const row = document.querySelector(`.reaction [data-about="${CSS.escape(line)}"]`)
  const figure = column === 'excess' ? '.bar-button' : `[data-cell$=" ${columns.indexOf(column)}"]`
  row?.querySelector<HTMLElement>(figure)?.focus()
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

function History({
  history,
  preparation,
  zone,
  current,
}: Pick<DeskProps, 'history' | 'preparation' | 'zone'> & { current: number }) {
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
}
