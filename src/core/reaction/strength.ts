import type { Form } from '../plan/plan'
import { readNumber, type Reading } from '../quantity/readQuantity'

/** Gases and acids that a teaching laboratory has in water only; whoever takes them as pure has forgotten the strength. By formula. */
export const inWaterOnly: ReadonlySet<string> = new Set(['HCl', 'HBr', 'HI', 'NH3', 'HNO3', 'H2O2', 'NaOCl', 'NaClO', 'H3PO4'])

const example = 'Write for example 2 mol/L, 37 %, 5 % w/v or 50 g/L.'

/** How a strength is said, without the number: in which form, and by what the number is multiplied. */
const ways: readonly (readonly [RegExp, (value: number) => Form | 'fraction'])[] = [
  [/^(?:mol\/L|mol\/l|mol\s*L-1|mol\/dm3|mol\/dm³|M|mmol\/mL|N)?$/, (molPerL) => ({ kind: 'solution', molPerL })],
  [/^mM$|^mmol\/L$/, (mM) => ({ kind: 'solution', molPerL: mM / 1000 })],
  [/^%?\s*\(?w\/v\)?$|^g\/100\s*mL$|^g in 100\s*mL$/i, (gPer100ML) => ({ kind: 'mass-volume', gPer100ML })],
  [/^g\/L$|^mg\/mL$/i, (gPerL) => ({ kind: 'mass-volume', gPer100ML: gPerL / 10 })],
  [/^%\s*(?:\(?w\/w\)?)?$/i, () => 'fraction'],
]

/**
 * Reads how strong a solution is: `2`, `2 mol/L` or `2 M`; `37 %` or `37 % w/w`, with its density behind it where that is not known (`48 %, 1.49 g/mL`); `5 % w/v`, `5 g/100 mL`, `50 g/L`.
 * @param densityAt the density of a mass fraction in water, where a table has it
 */
export function readStrength(text: string, densityAt: (fraction: number) => number | null = () => null): Reading<Form> {
  const parts = /^\s*([\d.,]+(?:[eE][+-]?\d+)?)\s*(.*?)\s*$/.exec(text)
  if (!parts)
    return {
      ok: false,
      problem: text.trim() === '' ? `How strong is it? ${example}` : `“${text.trim()}” is no strength. ${example}`,
    }
  const number = readNumber(parts[1]!)
  if (!number.ok) return { ok: false, problem: `${number.problem} ${example}` }
  const { value } = number.value
  if (!(value > 0)) return { ok: false, problem: `A strength is more than zero. ${example}` }
  const [, unit, density] = /^(.*?)(?:[,;]?\s*([\d.,]+)\s*g\/(?:mL|cm3|cm³))?$/.exec(parts[2]!) as unknown as [
    string,
    string,
    string?,
  ]
  if (/v\/v/i.test(unit)) return { ok: false, problem: 'By volume alone the amount is not known. Say % w/w, % w/v or mol/L.' }
  const way = ways.find(([said]) => said.test(unit.trim()))?.[1](value)
  if (!way) return { ok: false, problem: `“${unit.trim()}” is no unit of strength here. ${example}` }
  if (way !== 'fraction') {
    if (way.kind === 'solution' && way.molPerL! > 60)
      return { ok: false, problem: `${value} mol/L is more than any liquid holds. ${example}` }
    if (way.kind === 'mass-volume' && way.gPer100ML! > 200)
      return { ok: false, problem: `${value} ${unit.trim()} is more than any solution holds. ${example}` }
    return { ok: true, value: way }
  }
  if (value > 100) return { ok: false, problem: `${value} % is more than all of it. ${example}` }
  const said = density === undefined ? null : readNumber(density)
  const gPerML = said?.ok ? said.value.value : densityAt(value / 100)
  if (gPerML === null || !(gPerML > 0.4 && gPerML < 4))
    return {
      ok: false,
      problem: `${value} % by mass: its density is not known here. Say it too (${value} %, 1.05 g/mL), or say % w/v or mol/L.`,
    }
  return {
    ok: true,
    value: { kind: 'mass-fraction', fraction: value / 100, gPerML, source: said ? 'typed' : 'table of densities' },
  }
}
