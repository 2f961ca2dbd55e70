import { scalePlan } from '../edit/scalePlan'
import { lineName } from '../plan/lineName'
import { type Form, type Plan } from '../plan/plan'
import { deviceOf } from '../quantity/device'
import { chargedLines, dispensed, reactionTable, type ComputedLine } from '../reaction/reactionTable'
import type { Substance } from '../substance/substance'
import { stuffOf } from './bottle'

/** A session as the stores see it: what is done, by which benches, at which scale. */
export interface ToSetOut {
  id: string
  plan: Plan
  groups: readonly { bench: number; scale: number }[]
  /** How much more than its benches need, where it was said for this session. */
  spare?: number | undefined
}

/** What one bench is handed of something, in g or mL as it is dispensed. */
export interface Share {
  session: string
  bench: number
  /** As the plan has it at this bench's scale. */
  exact: number
  /** Rounded up to what its device shows. */
  value: number
}

/** One thing that is weighed or measured out for all benches together. */
export interface Need {
  /** What makes it one thing: substance, state and strength (`stuffOf`). */
  stuff: string
  /** As its substance is called; its form says how strong it is. */
  name: string
  substance: Substance
  form: Form
  unit: 'g' | 'mL'
  shares: Share[]
  /** The sum of what the benches need, before anything is rounded and without spare. */
  sum: number
  /** The same with the spare of each session. */
  withSpare: number
  /** What is set out: the sum with spare, rounded up to two figures. */
  issue: number
  /** The preparation whose product it is: each bench brings its own, and nothing is issued. */
  madeIn?: string
}

/** Something of which the plan does not say how much. */
export interface Unsaid {
  session: string
  name: string
}

export interface SettingOut {
  needs: Need[]
  unsaid: Unsaid[]
}

/** A tenth more than the benches need: what is spilled, and what stays in the bottle. Usual; it is set for each session. */
export const usualSpare = 0.1

/**
 * What is weighed and measured out for sessions: every line that is charged, at every bench's scale, what is the same together. Amounts that the plan fixes do not follow the scale.
 * A line whose amount nobody can say is named, not left out.
 */
export function settingOut(sessions: readonly ToSetOut[], spare: number = usualSpare): SettingOut {
  const needs = new Map<string, Need>()
  const unsaid: Unsaid[] = []
  for (const { id: session, plan, groups, spare: own = spare } of sessions) {
    const without = new Set<string>()
    // Benches at one scale need the same: it is worked out once.
    const atScale = new Map<number, ComputedLine[]>()
    for (const { bench, scale } of groups) {
      const lines = atScale.get(scale) ?? chargedLines(reactionTable(scalePlan(plan, scale)))
      atScale.set(scale, lines)
      for (const computed of lines) {
        const { line, substance } = computed
        const measured = dispensed(computed)
        if (!measured) {
          without.add(lineName(plan, line))
          continue
        }
        const unit = measured.dimension === 'mass' ? 'g' : 'mL'
        const stuff = stuffOf(substance, line.form)
        const key = `${stuff} ${unit} ${line.madeIn ?? ''}`
        const need: Need = needs.get(key) ?? {
          stuff,
          name: substance.name,
          substance,
          form: line.form,
          unit,
          shares: [],
          sum: 0,
          withSpare: 0,
          issue: 0,
          ...(line.madeIn === undefined ? {} : { madeIn: line.madeIn }),
        }
        const exact = measured.figure.value
        const value = upTo(exact, stepOf(line.device, unit))
        const before = need.shares.find((share) => share.session === session && share.bench === bench)
        if (before) {
          before.exact += exact
          before.value += value
        } else need.shares.push({ session, bench, exact, value })
        need.sum += exact
        need.withSpare += exact * (1 + own)
        needs.set(key, need)
      }
    }
    unsaid.push(...[...without].map((name) => ({ session, name })))
  }
  return {
    needs: [...needs.values()].map((need) => ({ ...need, issue: need.madeIn ? 0 : toIssue(need) })),
    unsaid,
  }
}

/** Never less than what is handed to the benches, each rounded up for itself. */
const toIssue = ({ withSpare, shares }: Need) =>
  twoFigures(
    Math.max(
      withSpare,
      shares.reduce((total, { value }) => total + value, 0),
    ),
  )

/** Up to the next that can be written with two figures: 47.3 g are issued as 48 g, 1.234 L as 1.3 L. Rounding of floats adds nothing. */
export function twoFigures(value: number): number {
  if (value <= 0) return 0
  const step = 10 ** (Math.floor(Math.log10(value)) - 1)
  return upTo(value, step)
}

/** Up to a whole number of steps. */
function upTo(value: number, step: number): number {
  const decimals = Math.max(0, Math.ceil(-Math.log10(step)))
  return Number((Math.ceil(value / step - 1e-9) * step).toFixed(decimals))
}

/** The smallest step of the device that the line names; of a usual balance or cylinder where it names none that measures so. */
function stepOf(device: string | undefined, unit: 'g' | 'mL'): number {
  const named = deviceOf(device)
  return named && named.measures === (unit === 'g' ? 'mass' : 'volume') ? named.readability : unit === 'g' ? 0.01 : 0.1
}
