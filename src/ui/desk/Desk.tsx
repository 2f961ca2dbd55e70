'use client'

import { useCallback, useMemo, useState } from 'react'
import { Button } from 'react-bootstrap'
import type { Lab } from '@/core/lab/lab'
import { lineName } from '@/core/plan/lineName'
import { type Plan } from '@/core/plan/plan'
import { type Substance } from '@/core/substance/substance'
import { queriesOf } from '@/core/query/queries'
import { editCoefficient } from '@/core/edit/editLine'
import { working } from '@/core/reaction/working'
import { holds, type Bottle } from '@/core/stores/bottle'
import { SourceNote } from '../operation/SourceNote'
import { Margin } from '../page/Margin'
import { WorkingNote } from '../page/WorkingNote'
import type { GraverNote } from '@/reference/graver'
import { AddSubstance } from './AddSubstance'
import { GraverSince } from './GraverSince'
import { GreenLine } from './GreenLine'
import { LineEditor } from './LineEditor'
import { NotKept } from './NotKept'
import { PlanWords } from './PlanWords'
import { ProcedureStrip } from './ProcedureStrip'
import { PublishDialog } from './PublishDialog'
import { StartDraft } from './StartDraft'
import { DeskHead } from './DeskHead'
import type { HistoryView } from '@/views/plans'
import { History } from './History'
import { useMarginNotes } from './useMarginNotes'
import { ReactionTableView } from './ReactionTableView'
import { KeepOrCopy } from './KeepOrCopy'
import { ResultsWanted } from './ResultsWanted'
import { ScaleDialog } from './ScaleDialog'
import { Scheme } from './Scheme'
import { SequenceLine } from './SequenceLine'
import { tableOf } from './tableOf'
import { backToCell } from './toCell'
import { useCellTexts } from './useCellTexts'
import type { Base } from './keptDraft'
import { useEarlier } from './useEarlier'
import { useDraft } from './useDraft'
import { useSettled } from './useSettled'
import { useUndoKeys } from './useUndoKeys'
import { useStable } from './useStable'

export interface DeskProps {
  course: string
  preparation: string
  opened: { base: Base; plan: Plan }
  history: HistoryView[]
  /** True for a preparation that is put away. */
  archived: boolean
  shelf: Bottle[]
  /** Titles of the other preparations of the course, from which a sequence may go on. */
  otherTitles: string[]
  /** The plans that lead to this one, the nearest first. */
  /** The plans that lead to the one that is opened, by the origin it names. */
  earlier: { origin: string | undefined; plans: Plan[] }
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
  const draft = useDraft(preparation, { ...opened, older })
  const { plan, base, past } = draft
  const leading = useEarlier(course, preparation, plan, earlier)
  // What is frozen stays as it is: the first change to it offers a draft.
  const { change } = useStable({
    change: (next: Plan, label: string) =>
      base.state === 'draft' || past.length > 0 ? draft.change(next, label) : setOffered({ plan: next, label }),
  })
  const readOnly = !mayWrite || older
  const [openLine, setOpenLine] = useState<string>()
  const [scaling, setScaling] = useState(false)
  const [words, setWords] = useState(false)
  const [drawn, setDrawn] = useState(drawings)
  const [publishing, setPublishing] = useState(false)
  const [offered, setOffered] = useState<{ plan: Plan; label: string }>()
  const [asked, setAsked] = useState<{ step: string; blank: string; from: HTMLElement }>()

  const nameOf = (id: string) => {
    const line = plan.lines.find((each) => each.id === id)
    return line ? lineName(plan, line) : id
  }
  const { shown, isTyping, focus, texts, actions, leave } = useCellTexts(
    plan,
    (next, { line, column }) => change(next, `${column} of ${nameOf(line)}`),
    () => setAsked(undefined),
  )
  const table = tableOf(shown)
  // Scheme, procedure and queries follow when the keys rest, so that typing never waits for them.
  const later = useSettled(shown, isTyping)
  const laterTable = tableOf(later)
  const queries = useMemo(() => queriesOf(later, laterTable, lab), [later, laterTable, lab])
  const open = queries.filter(({ answer }) => answer === undefined)
  const note = useMemo(
    () =>
      // A line that has just been added is not in the later plan yet.
      focus && later.lines.some(({ id }) => id === focus.line) ? working(later, laterTable, focus.line, focus.column) : null,
    [focus, later, laterTable],
  )

  const { coefficient } = useStable({
    coefficient: (line: string, text: string) => {
      const read = editCoefficient(plan, line, text)
      if (!read.ok) return read.problem
      change(read.value, `coefficient of ${nameOf(line)}`)
      return undefined
    },
  })

  const ask = useCallback(
    (at?: { step: string; blank: string }) => setAsked(at && { ...at, from: document.activeElement as HTMLElement }),
    [],
  )
  const openOrClose = useCallback((line: string) => setOpenLine((open) => (open === line ? undefined : line)), [setOpenLine])
  useUndoKeys(draft.travel)

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
    change,
    beside,
  })

  return (
    <div
      className="with-margin"
      // Whoever goes on elsewhere is done with the figure: its working would stand beside something else.
      onFocus={({ target }) => {
        if (target.closest('.reaction, [aria-label^="Margin"]')) return
        leave()
        if (!target.closest('.blank')) setAsked(undefined)
      }}
    >
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
        <NotKept draft={draft} zone={zone} />
        <Scheme plan={later} drawings={drawn} readOnly={readOnly} onCoefficient={coefficient} />
        <SequenceLine plan={later} earlier={leading} onChange={readOnly ? undefined : change} />
        <ReactionTableView
          plan={shown}
          table={table}
          readOnly={readOnly}
          texts={texts}
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
          <AddSubstance
            course={course}
            plan={plan}
            onAdd={change}
            onDrawing={(substance, drawing) => setDrawn((all) => ({ ...all, [substance]: drawing }))}
          >
            <Button variant="quiet" size="sm" onClick={() => setScaling(true)}>
              Scale the plan
            </Button>
          </AddSubstance>
        )}
        <GreenLine plan={later} table={laterTable} revision={base.id} />
        <ProcedureStrip
          course={course}
          plan={later}
          table={laterTable}
          lab={lab}
          solvents={solvents}
          queries={queries}
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
