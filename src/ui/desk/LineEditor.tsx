'use client'

import { solutionSolventNames, type SolutionSolvent } from '@/core/substance/solutionSolvents'
import { useState } from 'react'
import { changeLine, changeRecovery, moveLine, removeLine, type LinePart } from '@/core/plan/editPlan'
import { isCharged, isReactant, type Form, type Plan } from '@/core/plan/plan'
import { roles, type Role } from '@/core/plan/lists'
import type { ComputedLine } from '@/core/reaction/reactionTable'
import { reactionTable } from '@/core/reaction/reactionTable'
import { editCoefficient } from '@/core/edit/editLine'
import { Coefficient } from './Coefficient'
import { NumberField, TextField } from './fields'
import { SubstanceFields } from './SubstanceFields'
import { groupsServed, type Bottle } from '@/core/stores/bottle'
import { writeQuantity } from '@/core/quantity/write'
import { devices } from '@/core/quantity/device'
import type { Reading } from '@/core/quantity/readQuantity'

const forms: { kind: Form['kind']; name: string }[] = [
  { kind: 'solid', name: 'solid' },
  { kind: 'neat', name: 'neat liquid' },
  { kind: 'solution', name: 'solution, mol/L' },
  { kind: 'mass-fraction', name: 'solution, % w/w' },
  { kind: 'mass-volume', name: 'solution, % w/v' },
]

interface Props {
  plan: Plan
  computed: ComputedLine
  /** Bottles that hold what this line dispenses. */
  shelf: Bottle[]
  /** The other preparations of the course. */
  otherTitles: string[]
  onChange: (plan: Plan, label: string) => void
}

/** What a line is beside its figures: its part in the reaction, its bottle, its device, its place in the table. */
export function LineEditor({ plan, computed, shelf, otherTitles, onChange }: Props) {
  const { line } = computed
  const { name } = computed.substance
  const [problem, setProblem] = useState<string>()
  const take = (read: Reading<Plan>, label: string) => {
    setProblem(read.ok ? undefined : read.problem)
    if (read.ok) onChange(read.value, label)
  }
  const change = (part: LinePart, what: string) => take(changeLine(plan, line.id, part), `${what} of ${name}`)
  const place = plan.lines.findIndex(({ id }) => id === line.id)
  const { form } = line
  const recovery = plan.recoveries?.find(({ product }) => product === line.id)
  return (
    <div className="line-editor" role="group" aria-label={`Line of ${name}`}>
      <label>
        part
        <select
          className="form-select form-select-sm"
          aria-label="part"
          value={line.role}
          onChange={(event) => change({ role: event.currentTarget.value as Role }, 'part')}
        >
          {roles.map((role) => (
            <option key={role}>{role}</option>
          ))}
        </select>
      </label>
      {line.role === 'intermediate' && (
        // It stands in no equation, so there is no other place for it.
        <label>
          coefficient
          <Coefficient
            line={line}
            name={name}
            readOnly={false}
            onCoefficient={(id, text) => {
              const read = editCoefficient(plan, id, text)
              if (!read.ok) return read.problem
              onChange(read.value, `coefficient of ${name}`)
              return undefined
            }}
          />
        </label>
      )}
      {isCharged(line) && (
        <>
          <label>
            in the bottle
            <select
              className="form-select form-select-sm"
              aria-label="in the bottle"
              value={form.kind}
              onChange={(event) => change({ form: emptyForm(event.currentTarget.value as Form['kind']) }, 'bottle')}
            >
              {forms.map(({ kind, name: words }) => (
                <option key={kind} value={kind}>
                  {words}
                </option>
              ))}
            </select>
          </label>
          {(form.kind === 'solid' || form.kind === 'neat') && (
            <NumberField
              label="purity, %"
              value={form.purity * 100}
              most={100}
              onNumber={(percent) => change({ form: { ...form, purity: percent / 100 } }, 'purity')}
            />
          )}
          {form.kind === 'solid' && (
            <NumberField
              label="water of crystallisation"
              value={form.water ?? 0}
              least={-1}
              most={30}
              onNumber={(water) =>
                change({ form: { kind: 'solid', purity: form.purity, ...(water > 0 ? { water } : {}) } }, 'water')
              }
            />
          )}
          {form.kind === 'mass-volume' && (
            <NumberField
              label="g in 100 mL"
              value={form.gPer100ML ?? 0}
              most={500}
              onNumber={(gPer100ML) => change({ form: { ...form, gPer100ML } }, 'strength')}
            />
          )}
          {(form.kind === 'mass-volume' || form.kind === 'solution') && (
            <label>
              dissolved in
              <select
                className="form-select form-select-sm"
                value={form.solvent ?? ''}
                onChange={(event) => {
                  const { solvent: _before, ...rest } = form
                  const solvent = event.currentTarget.value as SolutionSolvent | ''
                  change({ form: solvent === '' ? rest : { ...rest, solvent } }, 'solvent')
                }}
              >
                <option value="">water</option>
                {solutionSolventNames.map((each) => (
                  <option key={each}>{each}</option>
                ))}
              </select>
            </label>
          )}
          {(form.kind === 'mass-volume' || form.kind === 'solution') && (
            <NumberField
              label="density, g/mL, if known"
              value={form.gPerML ?? 0}
              most={5}
              onNumber={(gPerML) => change({ form: { ...form, gPerML } }, 'density')}
            />
          )}
          {form.kind === 'solution' && (
            <NumberField
              label="mol/L"
              value={form.molPerL ?? 0}
              most={30}
              onNumber={(molPerL) => change({ form: { ...form, molPerL } }, 'strength')}
            />
          )}
          {form.kind === 'mass-fraction' && (
            <>
              <NumberField
                label="% w/w"
                value={(form.fraction ?? 0) * 100}
                most={100}
                onNumber={(percent) => change({ form: { ...form, fraction: percent / 100 } }, 'strength')}
              />
              <NumberField
                label="density, g/mL"
                value={form.gPerML ?? 0}
                most={5}
                onNumber={(gPerML) => change({ form: { ...form, gPerML } }, 'density')}
              />
            </>
          )}
          <label>
            measured with
            <select
              className="form-select form-select-sm"
              aria-label="measured with"
              value={line.device ?? ''}
              onChange={(event) => change({ device: event.currentTarget.value }, 'device')}
            >
              <option value="">not said</option>
              {devices
                .filter(({ measures }) => measures !== 'temperature')
                .map(({ id, name: words }) => (
                  <option key={id} value={id}>
                    {words}
                  </option>
                ))}
            </select>
          </label>
          <label>
            made in
            <select
              className="form-select form-select-sm"
              aria-label="made in"
              value={line.madeIn ?? ''}
              onChange={(event) => change({ madeIn: event.currentTarget.value }, 'origin')}
            >
              <option value="">from the bottle</option>
              {[...new Set([...otherTitles, ...(line.madeIn ? [line.madeIn] : [])])].map((title) => (
                <option key={title}>{title}</option>
              ))}
            </select>
          </label>
          <label className="check">
            <input
              type="checkbox"
              checked={line.fixed ?? false}
              onChange={(event) => change({ fixed: event.currentTarget.checked }, 'scaling')}
            />
            does not scale
          </label>
        </>
      )}
      {(line.role === 'material' || line.role === 'component') && (
        <>
          <TextField
            label="got back as the sample"
            value={recovery?.sample ?? ''}
            onText={(sample) => take(changeRecovery(plan, line, sample, recovery?.expected), `recovery of ${name}`)}
          />
          {recovery &&
            (['low', 'high'] as const).map((end) => (
              <NumberField
                key={end}
                label={end === 'low' ? 'expected from, %' : 'to, %'}
                value={(recovery.expected?.[end] ?? 0) * 100}
                least={end === 'high' && recovery.expected ? recovery.expected.low * 100 - 1e-9 : 0}
                most={end === 'low' && recovery.expected ? recovery.expected.high * 100 : 100}
                onNumber={(percent) =>
                  take(
                    changeRecovery(plan, line, recovery.sample, {
                      ...(recovery.expected ?? { low: percent / 100, high: percent / 100 }),
                      [end]: percent / 100,
                    }),
                    `recovery expected of ${name}`,
                  )
                }
              />
            ))}
        </>
      )}
      <TextField label="note" value={line.note ?? ''} width="wide" onText={(note) => change({ note }, 'note')} />
      <SubstanceFields plan={plan} substance={computed.substance} onChange={onChange} />
      {shelf.length > 0 && (
        <p className="wide on-shelf">
          On the shelf:{' '}
          {shelf
            .map((bottle) => {
              const served = groupsServed(bottle, plan, reactionTable(plan))
              return `${writeQuantity(bottle.left)} left, ${bottle.place}${served === null ? '' : `, serves ${served} ${served === 1 ? 'group' : 'groups'}`}`
            })
            .join('; ')}
        </p>
      )}
      <span className="line-buttons">
        <button
          type="button"
          onClick={() => onChange(moveLine(plan, line.id, place - 1), `${name} moved up`)}
          disabled={place === 0}
        >
          Up
        </button>
        <button
          type="button"
          onClick={() => onChange(moveLine(plan, line.id, place + 1), `${name} moved down`)}
          disabled={place === plan.lines.length - 1}
        >
          Down
        </button>
        {isReactant(line) && plan.reference !== line.id && line.anchor?.of !== 'ratio' && (
          <button type="button" onClick={() => onChange({ ...plan, reference: line.id }, `ratios counted from ${name}`)}>
            Count ratios from it
          </button>
        )}
        {line.role === 'product' && plan.mainProduct !== undefined && plan.mainProduct !== line.id && (
          <button type="button" onClick={() => onChange({ ...plan, mainProduct: line.id }, `yield counted for ${name}`)}>
            Count the yield for it
          </button>
        )}
        <button type="button" onClick={() => take(removeLine(plan, line.id), `${name} removed`)}>
          Remove
        </button>
      </span>
      {problem && (
        <span className="problem wide" role="alert">
          {problem}
        </span>
      )}
    </div>
  )
}

/** A bottle of that kind of which nothing is known yet: no strength stands there that nobody has typed. */
function emptyForm(kind: Form['kind']): Form {
  if (kind === 'solution' || kind === 'mass-volume') return { kind }
  if (kind === 'mass-fraction') return { kind, source: 'label of the bottle' }
  return { kind, purity: 1 }
}
