'use client'

import { useCallback, useEffect, useMemo, useState } from 'react'
import { Button } from 'react-bootstrap'
import type { Lab } from '@/core/lab/lab'
import { addLine } from '@/core/plan/editPlan'
import { lineName } from '@/core/plan/lineName'
import { type Plan } from '@/core/plan/plan'
import { roles, type Role } from '@/core/plan/lists'
import { type Substance } from '@/core/substance/substance'
import { queriesOf } from '@/core/query/queries'
import { editCoefficient, editLine, type Column } from '@/core/edit/editLine'
import { reactionTable, type ReactionTable } from '@/core/reaction/reactionTable'
import { working } from '@/core/reaction/working'
import { holds, type Bottle } from '@/core/stores/bottle'
import { State } from '../figures/State'
import { SourceNote } from '../operation/SourceNote'
import { Margin } from '../page/Margin'
import { WorkingNote } from '../page/WorkingNote'
import { clockTime } from '../time'
import type { GraverNote } from '@/reference/graver'
import { GraverSince } from './GraverSince'
import { GreenLine } from './GreenLine'
import { LineEditor } from './LineEditor'
import { OwnSubstance } from './OwnSubstance'
import { PlanWords } from './PlanWords'
import { ProcedureStrip } from './ProcedureStrip'
import { PublishDialog } from './PublishDialog'
import { StartDraft } from './StartDraft'
import { DeskHead } from './DeskHead'
import { History, type Revision } from './History'
import { useMarginNotes } from './useMarginNotes'
import type { CellActions, CellPlace } from './QuantityCell'
import { columns } from './ReactionRow'
import { ReactionTableView } from './ReactionTableView'
import { KeepOrCopy } from './KeepOrCopy'
import { ResultsWanted } from './ResultsWanted'
import { ScaleDialog } from './ScaleDialog'
import { Scheme } from './Scheme'
import { SequenceLine } from './SequenceLine'
import { SubstancePicker, type FoundSubstance } from './SubstancePicker'
import type { Base } from './draftKeeper'
import { useEarlier } from './useEarlier'
import { useDraft } from './useDraft'
import { useSettled } from './useSettled'
import { useStable } from './useStable'

export interface DeskProps {
  course: string
  preparation: string
  opened: { base: Base; plan: Plan }
  history: Revision[]
  /** True for a preparation that is put away. */
  archived: boolean
  shelf: Bottle[]
  /** Titles of the other preparations of the course, from which a sequence may go on. */
  otherTitles: string[]
  /** The plans that lead to this one, the nearest first. */
  earlier: Plan[]
  /** What is known to be graver now than when the plan was written. */
  graver: readonly GraverNote[]
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
  const { plan, base, past, saving } = draft
  const others = useEarlier(course, plan, earlier)
  // What is frozen stays as it is: the first change to it offers a draft.
  const { change } = useStable({
    change: (next: Plan, label: string) =>
      base.state === 'draft' || past.length > 0 ? draft.change(next, label) : setOffered({ plan: next, label }),
  })
  const readOnly = !mayWrite || older
  const [texts, setTexts] = useState<Texts>({})
  const [focus, setFocus] = useState<CellPlace | null>(null)
  const [openLine, setOpenLine] = useState<string>()
  const [role, setRole] = useState<Role>('reactant')
  const [own, setOwn] = useState<string>()
  const [scaling, setScaling] = useState(false)
  const [words, setWords] = useState(false)
  const [drawn, setDrawn] = useState(drawings)
  const [publishing, setPublishing] = useState(false)
  const [offered, setOffered] = useState<{ plan: Plan; label: string }>()
  const [asked, setAsked] = useState<{ step: string; blank: string; from: HTMLElement }>()

  // While a figure is being typed the table already follows it, but it is written down only on Enter or on leaving the cell.
  const typing = focus && texts[keyOf(focus)]
  const shown = useMemo(() => {
    if (!typing || !focus || focus.column === 'excess') return plan
    const read = editLine(plan, focus.line, focus.column, typing.text)
    return read.ok ? read.value : plan
  }, [plan, typing, focus])
  const table = tableOf(shown)
  // Scheme, procedure and queries follow when the keys rest, so that typing never waits for them.
  const later = useSettled(shown, typing != null)
  const laterTable = tableOf(later)
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
      change(read.value, `${place.column} of ${nameOf(place.line)}`)
    } else
      setTexts((all) => ({
        ...all,
        [keyOf(place)]: { text: kept.text, problem: read.problem, line: JSON.stringify(lineIn(plan, place.line)) },
      }))
  }

  const actions = useStable<CellActions>({
    focus: (place) => {
      setFocus(place)
      if (place) setAsked(undefined)
    },
    text: (place, text) => setTexts((all) => ({ ...all, [keyOf(place)]: { text } })),
    commit,
    restore: without,
    working: () => document.querySelector<HTMLElement>('.working')?.focus(),
  })
  const { coefficient } = useStable({
    coefficient: (line: string, text: string) => {
      const read = editCoefficient(plan, line, text)
      if (!read.ok) return read.problem
      change(read.value, `coefficient of ${nameOf(line)}`)
      return undefined
    },
  })

  const addSubstance = ({ substance, drawing, form }: FoundSubstance) => {
    const added = addLine(plan, substance, role)
    const { id } = added.lines.find((each) => !plan.lines.some((other) => other.id === each.id))!
    const next = form ? { ...added, lines: added.lines.map((each) => (each.id === id ? { ...each, form } : each)) } : added
    const line = next.lines.find((each) => each.id === id)!
    if (drawing) setDrawn((all) => ({ ...all, [line.substance]: drawing }))
    change(next, `${substance.name} added`)
    setOwn(undefined)
    // A further reactant is most often said by its ratio.
    if (role === 'reactant') focusCell(line.id, 3)
    else focusCell(line.id, line.form.kind === 'solid' ? 0 : 1)
  }

  const ask = useCallback(
    (at?: { step: string; blank: string }) => setAsked(at && { ...at, from: document.activeElement as HTMLElement }),
    [],
  )
  const openOrClose = useCallback((line: string) => setOpenLine((open) => (open === line ? undefined : line)), [setOpenLine])
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

  const beside = useMemo(() => {
    if (note && focus) return { about: focus.line, node: <WorkingNote working={note} onLeave={() => backToCell(focus)} /> }
    const step = asked && later.steps.find(({ id }) => id === asked.step)
    if (!asked || !step) return undefined
    const node = (
      <SourceNote
        plan={later}
        table={laterTable}
        step={step}
        blank={asked.blank}
        lab={lab}
        solvents={solvents}
        onLeave={() => asked.from.focus()}
      />
    )
    return { about: asked.step, node }
  }, [note, focus, asked, later, laterTable, lab, solvents])
  const notes = useMarginNotes({
    plan,
    queries,
    readOnly,
    unread: !readOnly && base.state === 'draft',
    change,
    beside,
  })

  return (
    <div className="with-margin">
      <main className="page desk">
        <DeskHead
          plan={plan}
          draft={draft}
          preparation={preparation}
          zone={zone}
          readOnly={readOnly}
          onPublish={() => setPublishing(true)}
        />
        <p className="aim quiet">
          {plan.aim}{' '}
          {!readOnly && (
            <button type="button" className="opens no-print" aria-expanded={words} onClick={() => setWords(!words)}>
              {plan.aim === '' ? 'Write aim and conditions' : 'Change the words'}
            </button>
          )}
        </p>
        <GraverSince notes={props.graver} />
        {words && !readOnly && <PlanWords plan={plan} onChange={change} />}
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
        <SequenceLine plan={later} others={others} onChange={readOnly ? undefined : change} />
        <ReactionTableView
          plan={shown}
          table={table}
          readOnly={readOnly}
          texts={stillWrong}
          actions={actions}
          openLine={readOnly ? undefined : openLine}
          onOpen={openOrClose}
          editor={(computed) => (
            <LineEditor
              plan={plan}
              computed={computed}
              shelf={shelf.filter((bottle) => holds(bottle, computed))}
              otherTitles={otherTitles}
              onChange={change}
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
        <GreenLine plan={later} table={laterTable} revision={base.id} />
        <ProcedureStrip
          course={course}
          plan={later}
          table={laterTable}
          lab={lab}
          solvents={solvents}
          onChange={readOnly ? undefined : change}
          onAsk={ask}
        />
        <ResultsWanted plan={later} onChange={readOnly ? undefined : change} />
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
          table={tableOf(plan)}
          shelf={shelf}
          onClose={() => setScaling(false)}
          onScale={(scaled, label) => {
            change(scaled, label)
            setScaling(false)
          }}
        />
      )}
      {publishing && (
        <PublishDialog
          title={plan.title}
          number={base.number}
          open={open.map(({ title }) => title)}
          safetySheet={`/desk/${preparation}/safety?revision=${base.number}`}
          onPublish={draft.publish}
          onClose={() => setPublishing(false)}
        />
      )}
      {offered && (
        <StartDraft
          number={base.number}
          label={offered.label}
          onStart={() => {
            setOffered(undefined)
            draft.change(offered.plan, offered.label)
          }}
          onLeave={() => setOffered(undefined)}
        />
      )}
    </div>
  )
}

const tables = new WeakMap<Plan, ReactionTable>()

/** The table of a plan, worked out once: whatever is drawn from it is drawn anew only where the plan has changed. */
function tableOf(plan: Plan): ReactionTable {
  const known = tables.get(plan) ?? reactionTable(plan)
  tables.set(plan, known)
  return known
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
