'use client'

import { useState } from 'react'
import { writeBand } from '@/core/quantity/write'
import { changeSubstance } from '@/core/plan/editPlan'
import type { Plan } from '@/core/plan/plan'
import { knownClasses } from '@/core/reaction/reactiveClasses'
import { reactiveClasses } from '@/core/substance/reactiveClass'
import type { Substance } from '@/core/substance/substance'
import type { SignalWord } from '@/core/substance/lists'
import { readFigure, type Reading } from '@/core/quantity/readQuantity'
import { wasteStreams, type WasteStream } from '@/core/substance/lists'
import { readStatements, signalOf } from '@/reference/hazardStatements'
import { pictogramsOf } from '@/reference/pictograms'
import { Pictogram } from '../figures/Pictogram'
import { NumberField, TextField } from './fields'

/** Where a value that the author writes down comes from. */
const source = 'Written down by the author of this plan, from the label or the safety data sheet'

interface Props {
  plan: Plan
  substance: Substance
  onChange: (plan: Plan, label: string) => void
}

/** What this plan knows of a substance, folded away: density, melting and boiling range, hazards from the label, waste. */
export function SubstanceFields({ plan, substance, onChange }: Props) {
  const [problem, setProblem] = useState<string>()
  const change = (part: Parameters<typeof changeSubstance>[2], what: string) => {
    setProblem(undefined)
    onChange(changeSubstance(plan, substance.id, part), `${what} of ${substance.name}`)
  }
  const range = (what: 'melting' | 'boiling', text: string) => {
    const read = readRange(text)
    if (!read.ok) return setProblem(read.problem)
    change({ [what]: read.value && { ...read.value, source } }, what === 'melting' ? 'melting range' : 'boiling range')
  }
  const shown = (of: Substance['melting']) => (of ? writeBand(of.lowC, of.highC) : '')
  const { density, hazards } = substance
  const { classes, known } = knownClasses(substance)
  // What formula and structure show cannot be unsaid.
  const { classes: _said, ...without } = substance
  const certain = knownClasses(without).classes
  return (
    <details className="wide substance-fields">
      <summary>What this plan knows of {substance.name}</summary>
      <div className="line-editor">
        <NumberField
          label="density"
          unit="g/mL"
          value={density?.gPerML ?? 0}
          least={-1}
          most={25}
          onNumber={(gPerML) => change({ density: gPerML > 0 ? { gPerML, source } : undefined }, 'density')}
        />
        <TextField label="melts, °C" value={shown(substance.melting)} onText={(text) => range('melting', text)} />
        <TextField label="boils, °C" value={shown(substance.boiling)} onText={(text) => range('boiling', text)} />
        <label>
          signal word
          <select
            className="form-select form-select-sm"
            aria-label="signal word"
            value={hazards?.signal ?? ''}
            disabled={!hazards || signalOf(hazards.statements) !== 'asked'}
            onChange={(event) =>
              hazards && change({ hazards: { ...hazards, signal: event.currentTarget.value as SignalWord } }, 'signal word')
            }
          >
            {!hazards && <option value="">statements first</option>}
            <option value="danger">danger</option>
            <option value="warning">warning</option>
            {hazards?.signal === 'none' && <option value="none">none stands with these</option>}
          </select>
        </label>
        <TextField
          label="hazard statements, codes"
          value={hazards ? hazards.statements.join(' ') : ''}
          onText={(text) => {
            const read = readStatements(text)
            if (!read.ok) return setProblem(read.problem)
            const { codes } = read
            const decided = signalOf(codes)
            // Till the label has been looked at, the graver word.
            const signal = decided === 'asked' ? 'danger' : decided
            change(
              {
                hazards:
                  codes.length === 0
                    ? undefined
                    : { signal, pictograms: pictogramsOf(codes), statements: codes, source, byAuthor: true },
              },
              'hazards',
            )
            if (decided === 'asked') setProblem('These statements stand with either signal word: choose the one on the label.')
          }}
        />
        <label>
          waste
          <select
            className="form-select form-select-sm"
            aria-label="waste"
            value={substance.waste ?? ''}
            onChange={(event) => change({ waste: (event.currentTarget.value || undefined) as WasteStream | undefined }, 'waste')}
          >
            <option value="">not said</option>
            {wasteStreams.map((stream) => (
              <option key={stream}>{stream}</option>
            ))}
          </select>
        </label>
        <fieldset className="wide acts-as">
          <legend>
            acts as{' '}
            {known ? (
              <small className="quiet">{classes.length > 0 ? classes.join('; ') : 'none of these'}</small>
            ) : (
              <small className="doubt">nobody has said</small>
            )}
          </legend>
          <details>
            <summary>Change what it does to others</summary>
            <label className="check">
              <input
                type="checkbox"
                checked={known && classes.length === 0}
                disabled={certain.length > 0}
                onChange={(event) => change({ classes: event.currentTarget.checked ? [] : undefined }, 'classes')}
              />{' '}
              none of these
            </label>
            {reactiveClasses.map((each) => (
              <label key={each} className="check">
                <input
                  type="checkbox"
                  checked={classes.includes(each)}
                  disabled={certain.includes(each)}
                  onChange={(event) =>
                    change(
                      {
                        classes: reactiveClasses.filter((other) =>
                          other === each ? event.currentTarget.checked : classes.includes(other),
                        ),
                      },
                      'classes',
                    )
                  }
                />{' '}
                {each}
              </label>
            ))}
          </details>
        </fieldset>
        <TextField
          label="caution at the bench"
          value={substance.caution ?? ''}
          onText={(text) => change({ caution: text === '' ? undefined : text }, 'caution')}
        />
        <span className="pictograms">
          {hazards?.pictograms.map((code) => (
            <Pictogram key={code} code={code} />
          ))}
        </span>
      </div>
      {problem && (
        <span className="problem" role="alert">
          {problem}
        </span>
      )}
    </details>
  )
}

/** `114.3`, `113–115` or `113 to 115`; nothing for an empty field. */
function readRange(text: string): Reading<{ lowC: number; highC: number } | undefined> {
  if (text.trim() === '') return { ok: true, value: undefined }
  const [low, high = low] = text.split(/\s*(?:–|\bto\b|(?<=\d)\s*-)\s*/)
  const [from, to] = [readFigure(low ?? '', '°C'), readFigure(high ?? '', '°C')]
  if (!from.ok || !to.ok || from.value.value > to.value.value || from.value.value < -273.15 || to.value.value > 5000)
    return { ok: false, problem: 'Write a temperature or a range in °C, the lower first: 114 or 113–115.' }
  return { ok: true, value: { lowC: from.value.value, highC: to.value.value } }
}
