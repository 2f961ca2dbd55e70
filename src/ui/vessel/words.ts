import type { From, Standing, StandingPhase, StandingVessel } from '@/core/operations/vessel/standsIn'
import { writeNumber } from '@/core/quantity/write'

const decimals = (value: number) => (Math.abs(value) < 0.1 ? 3 : Math.abs(value) < 2 ? 2 : Math.abs(value) < 20 ? 1 : 0)
const figure = (value: number) => writeNumber(value, decimals(value))

/** Less than this is a trace, g. */
const traceG = 0.0005

const traceMmol = 0.0005

/** So much may its ends lie apart before both are said. */
const oneFigure = 0.05

/** How much of a thing there is, in grams: one figure, a span, or that it is not known. */
export function amountText({ amount, gPer }: Standing): string {
  if (amount === 'unknown') return 'amount not known'
  const [low, likely, high] = [amount.low * gPer, amount.likely * gPer, amount.high * gPer]
  // What an equation leaves out that does not balance.
  if (Math.min(low, high) < -traceG) return `${figure(likely)} g`
  if (high < traceG) return 'a trace'
  if (likely < traceG) return `at most ${figure(high)} g`
  if (high - low <= oneFigure * Math.abs(likely)) return `${figure(likely)} g`
  return `${figure(likely)} g (${figure(Math.max(0, low))} to ${figure(high)})`
}

export const mmolText = ({ amount, unit }: Standing): string =>
  amount === 'unknown' || unit === 'g' || Math.abs(amount.likely) < traceMmol ? '' : `${figure(amount.likely)} mmol`

/** Where it comes from, in words. */
export const fromText = (from: readonly From[]): string =>
  [
    ...new Set(
      from.map((each) =>
        each.of === 'line'
          ? `from ${each.name}`
          : each.of === 'reading'
            ? `weighed in “${each.step}”`
            : `formed in “${each.step}”`,
      ),
    ),
  ].join(', ')

const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1)

/** What a phase is called. */
export function phaseName({ kind, main }: StandingPhase, among: readonly StandingPhase[]): string {
  const liquids = among.filter((each) => each.kind !== 'solid')
  if (kind === 'solid') return 'Solid'
  if (liquids.length > 1) return kind === 'watery' ? 'Water layer' : `${capital(main ?? 'organic')} layer`
  return kind === 'watery' ? 'Solution in water' : main ? `Liquid, mostly ${main}` : 'Liquid'
}

export function phaseText(phase: StandingPhase): string {
  const least = phase.atLeast ? 'at least ' : ''
  const amount =
    phase.kind === 'solid'
      ? phase.grams === null
        ? 'amount not known'
        : `${figure(phase.grams)} g`
      : phase.atLeast && phase.mL === 0
        ? 'amount not known'
        : `${least}${figure(phase.mL)} mL`
  return [amount, ...(phase.pH === null ? [] : [`pH ${writeNumber(phase.pH, 1)}`])].join(', ')
}

/** Liquid and solid of a vessel, and how full it is. */
export function vesselText({ sizeML, kind, phases, atC }: StandingVessel): string {
  const mL = phases.reduce((sum, each) => sum + each.mL, 0)
  const glass = sizeML === null ? '' : ` in a ${writeNumber(sizeML, 0)} mL ${kind}`
  if (phases.length === 0) return `Nothing${glass}`
  const least = phases.some(({ atLeast }) => atLeast) ? 'At least ' : 'About '
  const full = sizeML === null ? '' : `, ${writeNumber((100 * mL) / sizeML, 0)} % full`
  return `${least}${figure(mL)} mL${glass}${full}, at ${writeNumber(atC, 0)} °C`
}
