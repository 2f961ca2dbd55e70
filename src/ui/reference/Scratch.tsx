'use client'

import { useRouter } from 'next/navigation'
import { useEffect, useMemo, useState } from 'react'
import { Button } from 'react-bootstrap'
import { editCoefficient, editLine, type Column } from '@/core/edit/editLine'
import { scratchWith } from '@/core/edit/scratch'
import { lineName } from '@/core/plan/lineName'
import type { Plan } from '@/core/plan/plan'
import type { Role } from '@/core/plan/lists'
import { reactionTable, theoreticalYield } from '@/core/reaction/reactionTable'
import { readFigure } from '@/core/quantity/readQuantity'
import { writeFigureText, writeNumber } from '@/core/quantity/write'
import { working } from '@/core/reaction/working'
import { call } from '../call'
import { LineEditor } from '../desk/LineEditor'
import { OwnSubstance } from '../desk/OwnSubstance'
import type { CellActions, CellPlace } from '../desk/QuantityCell'
import { ReactionTableView } from '../desk/ReactionTableView'
import { Scheme } from '../desk/Scheme'
import { PartSelect } from '../desk/PartSelect'
import type { FoundSubstance } from '@/views/plans'
import { SubstancePicker } from '../desk/SubstancePicker'
import { WorkingNote } from '../page/WorkingNote'
import { MakeUp } from './MakeUp'
import { useScratch } from './useScratch'

/** What a scratch sheet may add: the parts that an equation needs. */
const parts = ['reactant', 'product', 'reagent', 'catalyst', 'solvent'] as const satisfies readonly Role[]
const keyOf = ({ line, column }: CellPlace) => `${line} ${column}`

/** Arithmetic without a plan: molar mass, amounts, ratios, limit and yield of an equation, and solutions; kept on this device, and made a plan of when it is to be one. */
export function Scratch({ course, mayWrite }: { course: string; mayWrite: boolean }) {
  const router = useRouter()
  const { plan, change, undo, canUndo, ready, unkept } = useScratch(course)
  const [texts, setTexts] = useState<Record<string, { text: string; problem?: string }>>({})
  const [focus, setFocus] = useState<CellPlace>()
  const [role, setRole] = useState<(typeof parts)[number]>('reactant')
  const [own, setOwn] = useState<string>()
  const [openLine, setOpenLine] = useState<string>()
  const [problem, setProblem] = useState<string>()
  const [title, setTitle] = useState('')
  const table = useMemo(() => (plan ? reactionTable(plan) : null), [plan])
  const note = useMemo(
    () =>
      plan && table && focus && plan.lines.some(({ id }) => id === focus.line)
        ? working(plan, table, focus.line, focus.column)
        : null,
    [plan, table, focus],
  )
  const without = (place: CellPlace) =>
    setTexts((all) => Object.fromEntries(Object.entries(all).filter(([key]) => key !== keyOf(place))))
  const actions: CellActions = {
    focus: (place) => setFocus(place ?? undefined),
    text: (place, text) => setTexts((all) => ({ ...all, [keyOf(place)]: { text } })),
    commit: (place) => {
      const kept = texts[keyOf(place)]
      if (!plan || kept === undefined || place.column === 'excess') return
      if (kept.text.trim() === '') return without(place)
      const read = editLine(plan, place.line, place.column as Column, kept.text)
      if (read.ok) {
        without(place)
        change(read.value)
      } else setTexts((all) => ({ ...all, [keyOf(place)]: { text: kept.text, problem: read.problem } }))
    },
    restore: without,
    working: () => document.querySelector<HTMLElement>('.working')?.focus(),
  }
  const add = ({ substance, form }: FoundSubstance) => {
    change(scratchWith(plan, substance, role, form))
    setOwn(undefined)
    // An equation is most often written from left to right.
    if (!plan) setRole('product')
  }
  const makePlan = async () => {
    if (!plan) return
    if (title.trim() === '') return setProblem('Give the preparation a title.')
    try {
      const { id } = await call<{ id: string }>(`/api/courses/${course}/preparations`, 'POST', {
        file: JSON.stringify({ ...plan, title: title.trim() }),
      })
      router.push(`/desk/${id}`)
    } catch (error) {
      setProblem((error as Error).message)
    }
  }
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (!(event.ctrlKey || event.metaKey) || event.key !== 'z' || (event.target as HTMLElement).closest('input, textarea'))
        return
      event.preventDefault()
      undo()
    }
    window.addEventListener('keydown', onKey)
    return () => window.removeEventListener('keydown', onKey)
  }, [undo])

  return (
    <div className="scratch">
      {unkept && (
        <p className="problem" role="alert">
          This device keeps nothing over a reload: its storage is full or forbidden.
        </p>
      )}
      <section aria-labelledby="scratch-equation">
        <h2 className="section-title" id="scratch-equation">
          An equation
        </h2>
        {plan && table ? (
          <div className="scratch-sheet">
            <div>
              <Scheme
                plan={plan}
                drawings={{}}
                readOnly={false}
                onCoefficient={(line, text) => {
                  const read = editCoefficient(plan, line, text)
                  if (!read.ok) return read.problem
                  change(read.value)
                  return undefined
                }}
              />
              <ReactionTableView
                plan={plan}
                table={table}
                readOnly={false}
                texts={texts}
                actions={actions}
                openLine={openLine}
                onOpen={(line) => setOpenLine(openLine === line ? undefined : line)}
                editor={(computed) => (
                  <LineEditor plan={plan} computed={computed} shelf={[]} otherTitles={[]} onChange={(next) => change(next)} />
                )}
              />
              <MolarMasses plan={plan} />
              {theoreticalYield(plan, table) && <Yield plan={plan} />}
            </div>
            {note && <WorkingNote working={note} onLeave={() => undefined} />}
          </div>
        ) : (
          ready && (
            <p className="quiet">Add what goes in, then what comes out. Type any one figure of a line; the others follow.</p>
          )
        )}
        <div className="add-line no-print">
          <SubstancePicker
            course={course}
            label="Add a substance: name or formula"
            onPick={add}
            onOwn={mayWrite ? setOwn : undefined}
          />
          <PartSelect parts={parts} value={role} onChange={setRole} />
          <Button variant="quiet" size="sm" disabled={!canUndo} onClick={undo}>
            Undo
          </Button>
          {plan && (
            <Button variant="quiet" size="sm" onClick={() => change(null)}>
              Clear the sheet
            </Button>
          )}
          <Button variant="quiet" size="sm" onClick={() => window.print()}>
            Print
          </Button>
        </div>
        {plan && mayWrite && (
          <form
            className="add-line no-print"
            onSubmit={(event) => {
              event.preventDefault()
              void makePlan()
            }}
          >
            <label>
              Title{' '}
              <input
                className="form-control form-control-sm"
                value={title}
                onChange={(event) => setTitle(event.currentTarget.value)}
              />
            </label>
            <Button type="submit" size="sm">
              Make a preparation of it
            </Button>
            {problem && (
              <span className="problem" role="alert">
                {problem}
              </span>
            )}
          </form>
        )}
      </section>
      <MakeUp course={course} />
      {own !== undefined && <OwnSubstance course={course} name={own} onClose={() => setOwn(undefined)} onTake={add} />}
    </div>
  )
}

/** The molar mass of each line. */
function MolarMasses({ plan }: { plan: Plan }) {
  return (
    <p className="quiet">
      {reactionTable(plan)
        .lines.flatMap(({ line, molarMass }) =>
          molarMass === null || molarMass === undefined
            ? []
            : [`M(${lineName(plan, line)}) = ${writeNumber(molarMass, 2)} g/mol`],
        )
        .join('; ')}
    </p>
  )
}

/** Per cent of the theory, from what was got. */
function Yield({ plan }: { plan: Plan }) {
  const [text, setText] = useState('')
  const theory = theoreticalYield(plan, reactionTable(plan))!
  const read = readFigure(text, 'g')
  const got = text.trim() === '' ? null : read.ok && read.value.value >= 0 ? read.value.value : undefined
  return (
    <p className="scratch-yield">
      Theoretical yield <span className="fig">{writeFigureText(theory, 'mass')}</span>. Got{' '}
      <input
        className="form-control form-control-sm"
        aria-label="Got, g"
        inputMode="decimal"
        value={text}
        aria-invalid={got === undefined}
        onChange={(event) => setText(event.currentTarget.value)}
      />{' '}
      g
      {got === undefined && (
        <span className="problem" role="alert">
          {' '}
          Write a mass in grams, such as 4.21.
        </span>
      )}
      {typeof got === 'number' && (
        <span role="status">
          : <b className="fig">{writeNumber((100 * got) / theory.value, 1)} %</b>{' '}
          <span className="quiet">
            = {text.trim()} g ÷ {writeFigureText(theory, 'mass')}
            {got > theory.value ? '; more than theory allows: wet, salts, or another limiting reagent' : ''}
          </span>
        </span>
      )}
    </p>
  )
}
