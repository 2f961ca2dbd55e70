import { readFileSync, readdirSync } from 'node:fs'
import path from 'node:path'
import { defaultLab, pressureMmHg } from '@/core/lab/lab'
import { boilsAtIn } from '@/core/matter/boiling'
import { volumeOf } from '@/core/matter/phase'
import { holdingsIn, vesselAt, type Bench } from '@/core/matter/state'
import { walk, type Readings } from '@/core/matter/walk'
import { effectOf } from '@/core/operations/effects'
import { flowOfPlan } from '@/core/operations/extract/flowOfPlan'
import { contextOf, filledFor } from '@/core/operations/planners'
import { operationOf } from '@/core/operations/registry'
import { boilingOf } from '@/core/operations/vessel/boilingOf'
import { stepContents } from '@/core/operations/vessel/contents'
import { gasesIn } from '@/core/operations/vessel/gasesIn'
import { placedIn } from '@/core/operations/vessel/placedIn'
import type { Plan } from '@/core/plan/plan'
import { gasLitres } from '@/core/reaction/meetings'
import { reactionTable, type ReactionTable } from '@/core/reaction/reactionTable'
import { foldRun } from '@/core/run/foldRun'
import { measuredOf } from '@/core/run/measured'
import { runResults } from '@/core/result/runResults'
import { college } from '@/demo/college'
import { home } from './home'

const figure = (value: number | null | undefined, digits = 1) =>
  value === null || value === undefined ? 'not known' : value.toFixed(digits)

const liquidML = (bench: Bench) =>
  vesselAt(bench)
    .phases.filter(({ kind }) => kind !== 'solid')
    .reduce((sum, phase) => sum + volumeOf(phase).mL, 0)

/** Where the state of matter and one of the older places differ by more than a tenth, or by 3 K, a star stands before the line. */
const differs = (one: number | null | undefined, other: number | null | undefined, by: number) =>
  one === null || one === undefined || other === null || other === undefined ? one !== other : Math.abs(one - other) > by

/** What the state of matter says of each step of a plan, or of a run, beside what each of the older places says of it: volume, boiling, gas, layers, pot, waste. */
export function matterBeside(title: string, plan: Plan, table: ReactionTable, readings?: Readings): string[] {
  const lab = defaultLab
  const walked = walk({ plan, table, lab, effects: effectOf, readings })
  const contents = stepContents(plan, table)
  const gases = gasesIn(plan, table)
  const flow = flowOfPlan(contextOf(plan, table, plan.steps[0]!))
  const placed = placedIn(plan, table)
  const rows = [`# ${title}`, 'step\twhat\tstate of matter\tolder place']
  const row = (step: string, what: string, one: string, other: string, off: boolean) =>
    rows.push([off ? `* ${step}` : `  ${step}`, what, one, other].join('\t'))
  for (const [at, { step, during, after, events }] of walked.steps.entries()) {
    const old = contents[at]!
    const mL = liquidML(during)
    const oldML = old.contents.reduce((sum, { line, volumeML }) => sum + (line.form.kind === 'solid' ? 0 : (volumeML ?? 0)), 0)
    if (mL > 0.05 || oldML > 0.05)
      row(step.id, 'liquid, mL', figure(mL), figure(oldML), differs(mL, oldML, 0.1 * Math.max(mL, oldML)))
    const boils = boilsAtIn(vesselAt(during).phases, pressureMmHg(lab))
    const oldBoils = boilingOf(old.contents, pressureMmHg(lab))
    const [newC, oldC] = ['atC' in boils ? boils.atC : null, 'atC' in oldBoils ? oldBoils.atC : null]
    if (mL > 0.05) row(step.id, 'boils, °C', figure(newC), figure(oldC), differs(newC, oldC, 3))
    const gas = events.reduce((sum, event) => sum + (event.kind === 'gas' ? (event.mmol ?? 0) : 0), 0)
    const oldGas = gases.filter((each) => each.step === step.id).reduce((sum, { litres }) => sum + litres, 0)
    if (gas > 0.5 || oldGas > 0.01)
      row(step.id, 'gas, L', figure(gasLitres(gas), 2), figure(oldGas, 2), differs(gasLitres(gas), oldGas, 0.05))
    const layers = flow?.states.find((each) => each.step === step.id)?.state.layers
    for (const solute of layers && flow ? flow.solutes : []) {
      const total = layers!.reduce((sum, { holds }) => sum + (holds[solute.id] ?? 0), 0)
      const here = holdingsIn(vesselAt(after)).reduce(
        (sum, { thing, amount }) => sum + (thing.id === solute.id ? (amount ?? 0) : 0),
        0,
      )
      const stays = layers!.filter(({ kind }) => kind === 'organic').reduce((sum, { holds }) => sum + (holds[solute.id] ?? 0), 0)
      row(
        step.id,
        `${solute.id} in the organic layer, mmol`,
        figure(here),
        `${figure(stays)} of ${figure(total)}`,
        differs(here, stays, 0.1 * Math.max(1, here, stays)),
      )
    }
    if (operationOf(step) === 'distil') {
      const filled = filledFor(contextOf(plan, table, step)) as unknown as { components?: { name: string; mmol: number }[] }
      for (const { name, mmol } of filled.components ?? []) {
        const pot = walked.steps[at]!.during
        const there = holdingsIn(vesselAt(pot)).reduce(
          (sum, { thing, amount }) => sum + (thing.id === name ? (amount ?? 0) : 0),
          0,
        )
        row(
          step.id,
          `${name} in the pot, mmol`,
          figure(there),
          figure(mmol),
          differs(there, mmol, 0.1 * Math.max(1, there, mmol)),
        )
      }
    }
  }
  const last = walked.steps.at(-1)?.after
  for (const [stream, { contents: old }] of placed) {
    const names = [...new Set((last?.waste[stream] ?? []).map(({ thing }) => thing.name))]
    row(
      'waste',
      stream,
      names.slice(0, 8).join(', ') || 'nothing',
      [...new Set(old.map(({ substance }) => substance.name))].slice(0, 8).join(', ') || 'nothing',
      false,
    )
  }
  return rows
}

/** Every plan of the demo and every run of its first session, one below the other. */
export function allBeside(): string {
  const folder = path.join(home, 'src/demo/plans')
  const plans = readdirSync(folder)
    .sort()
    .map((file) => JSON.parse(readFileSync(path.join(folder, file), 'utf8')) as Plan)
  const made = college(new Date('2026-11-18T12:00:00Z'), 'UTC')
  const runs = made.sessions.flatMap((session) => {
    const { plan } = made.preparations.find(({ revision }) => revision === session.revision)!
    return session.runs.map(({ scale, entries }) => ({ plan, state: foldRun(plan, scale, entries) }))
  })
  return [
    ...plans.flatMap((plan) => matterBeside(plan.title, plan, reactionTable(plan))),
    ...runs.flatMap(({ plan, state }, at) => {
      const { samples, usedML } = measuredOf(state)
      return matterBeside(`${plan.title}, run ${at + 1}`, state.plan, runResults(state).table, { samplesG: samples, usedML })
    }),
    '',
  ].join('\n')
}
