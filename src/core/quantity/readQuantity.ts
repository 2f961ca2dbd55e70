import { mmHgPerKPa } from './pressure'
import { unitWritten, units, type Dimension, type Quantity, type Unit } from './unit'

/** Either what was understood, or what is wrong with the text and what would be right. */
export type Reading<T> = { ok: true; value: T } | { ok: false; problem: string }

const examples: Record<Dimension, string> = {
  mass: '4.09 g or 250 mg',
  volume: '4.00 mL or 250 µL',
  amount: '43.5 mmol or 0.10 mol',
  temperature: '20 °C',
  concentration: '2 mol/L',
  percent: '10 %',
  density: '1.022 g/mL',
  time: '20 min',
  number: '1.20',
}

const commonUnits: Partial<Record<Dimension, [Unit, Unit]>> = {
  mass: ['g', 'mg'],
  volume: ['mL', 'µL'],
  amount: ['mmol', 'mol'],
}

/**
 * Reads a number as people write it: `2.5`, `2,5`, `1/2`, `.5`, `1.5e-3`. A comma followed by exactly
 * three digits is refused, because it could be a decimal comma or a thousands mark.
 */
export function readNumber(text: string): Reading<{ value: number; decimals: number }> {
  const plain = text.trim().replace(/[−–]/g, '-').replace(/ /g, ' ')
  const fraction = /^(\d+)\s*\/\s*(\d+)$/.exec(plain)
  if (fraction) {
    if (Number(fraction[2]) === 0) return { ok: false, problem: 'Nothing can be divided by zero.' }
    const value = Number(fraction[1]) / Number(fraction[2])
    return { ok: true, value: { value, decimals: (String(value).split('.')[1] ?? '').slice(0, 3).length } }
  }
  const number = /^([+-]?)(\d*)(?:([.,])(\d*))?(?:[eE]([+-]?\d{1,2}))?$/.exec(plain)
  if (!number || (number[2] === '' && !number[4])) {
    if (/^[+-]?[\d.,\s]+$/.test(plain) && plain !== '') {
      return { ok: false, problem: `“${text.trim()}” can be read in two ways: write one decimal point and no other marks.` }
    }
    return {
      ok: false,
      problem:
        text.trim() === '' ? 'Nothing is written here.' : `“${text.trim()}” is not a number: write it in figures, such as 2.5.`,
    }
  }
  const [, sign, whole = '', mark, part = '', power] = number
  if (mark === ',' && part.length === 3 && whole !== '0' && whole !== '') {
    return {
      ok: false,
      problem: `“${text.trim()}” can mean ${whole}.${part} or ${whole}${part}: write it with a point, or without the comma.`,
    }
  }
  const value = Number(`${sign}${whole || '0'}.${part || '0'}e${power ?? 0}`)
  return { ok: true, value: { value, decimals: Math.max(0, part.length - Number(power ?? 0)) } }
}

/** A number as it was typed and what stands behind it, nothing for a bare one; undefined for text that does not begin with a number. */
export function numberAndUnit(text: string): { digits: string; symbol: string } | undefined {
  const [, digits, symbol = ''] = /^([+\-−–]?[\d.,]+(?:[eE][+-]?\d{1,2})?(?:\s*\/\s*\d+)?)\s*(.*)$/.exec(text.trim()) ?? []
  return digits === undefined ? undefined : { digits, symbol }
}

/**
 * Reads a quantity of the wanted dimension. Accepts what is unambiguous (`2,5 ml`, `250 mg`, `1/2 g`,
 * `12 M`, `10%`); a missing, unknown or unfitting unit, a negative or impossible size is refused with what would be right.
 * A unit is never guessed.
 */
export function readQuantity(text: string, dimension: Exclude<Dimension, 'number'>): Reading<Quantity> {
  const plain = text.trim()
  const would = `Write for example ${examples[dimension]}.`
  if (plain === '') return { ok: false, problem: `Nothing is written here. ${would}` }
  const parts = numberAndUnit(plain)
  if (!parts) return { ok: false, problem: `“${plain}” does not begin with a number. ${would}` }
  const number = readNumber(parts.digits)
  if (!number.ok) return { ok: false, problem: `${number.problem} ${would}` }
  const { digits, symbol } = parts
  if (symbol === '') {
    const two = commonUnits[dimension]
    return {
      ok: false,
      problem: two
        ? `${digits} of what? Say the unit: ${digits} ${two[0]} or ${digits} ${two[1]}.`
        : `The unit is missing. ${would}`,
    }
  }
  const unit = unitWritten(symbol)
  if (!unit) {
    if (symbol === 'Mg' || symbol === 'ML' || symbol === 'MG') {
      return {
        ok: false,
        problem: `${symbol} is a million times ${symbol[1]!.toLowerCase()}: write m${symbol === 'ML' ? 'L' : 'g'}.`,
      }
    }
    return { ok: false, problem: `“${symbol}” is not a unit known here. ${would}` }
  }
  if (units[unit].dimension !== dimension) {
    return {
      ok: false,
      problem: `${digits} ${unit} is ${article(units[unit].dimension)}; this place holds ${article(dimension)}. ${would}`,
    }
  }
  if (dimension !== 'temperature') {
    if (number.value.value < 0) return { ok: false, problem: `${article(dimension, true)} cannot be negative. ${would}` }
    if (number.value.value === 0) return { ok: false, problem: `${article(dimension, true)} of zero is no line at all. ${would}` }
  }
  if (Math.abs(number.value.value * units[unit].factor) > 1e6) {
    return { ok: false, problem: `${plain} is more than any teaching bench holds. Check the unit; ${would.toLowerCase()}` }
  }
  return { ok: true, value: { ...number.value, unit } }
}

/** Units that no quantity of a plan is kept in, for the places that they are converted to; exact by definition. */
const broughtTo: Readonly<Record<string, Readonly<Record<string, (value: number) => number>>>> = {
  '°C': { K: (k) => k - 273.15, '°F': (f) => (f - 32) / 1.8, F: (f) => (f - 32) / 1.8 },
  mmHg: {
    Torr: (torr) => torr,
    torr: (torr) => torr,
    atm: (atm) => atm * 760,
    kPa: (kPa) => kPa * mmHgPerKPa,
    hPa: (hPa) => (hPa / 10) * mmHgPerKPa,
    mbar: (mbar) => (mbar / 10) * mmHgPerKPa,
    bar: (bar) => bar * 100 * mmHgPerKPa,
    Pa: (pa) => (pa / 1000) * mmHgPerKPa,
  },
}

/**
 * Reads a number where only one unit is meant: a bare number is in that unit, the unit may stand behind it in any of its spellings, and another unit of the same dimension is converted
 * (`112 °C` or `385 K` in a place for °C, `6100 mg` in one for g, `1.5 h` in one for min, `2 kPa` in one for mmHg). @returns the number in the unit of the place, with as many decimals as
 * what was typed is known to: 6100 mg are 6.100 g
 */
export function readFigure(text: string, unit: string): Reading<{ value: number; decimals: number }> {
  const { digits, symbol } = numberAndUnit(text) ?? { digits: text, symbol: '' }
  const read = readNumber(digits)
  if (!read.ok) return read
  const { value, decimals } = read.value
  if (symbol === '' || symbol === unit) return read
  const [here, there] = [unitWritten(unit), unitWritten(symbol)]
  const factor =
    here && there && units[here].dimension === units[there].dimension ? units[there].factor / units[here].factor : null
  const brought = factor === null ? broughtTo[unit]?.[symbol]?.(value) : value * factor
  if (brought !== undefined)
    return {
      ok: true,
      value: {
        value: Number(brought.toPrecision(12)),
        decimals: factor === null ? decimals : Math.max(0, decimals - Math.round(Math.log10(factor))),
      },
    }
  return {
    ok: false,
    problem:
      unit === ''
        ? `This is a number without a unit: write ${digits}.`
        : `This place holds ${unit}, not ${symbol}: write how many ${unit} it is.`,
  }
}

/** The same where only the number counts. */
export function readInUnit(text: string, unit: string): Reading<number> {
  const read = readFigure(text, unit)
  return read.ok ? { ok: true, value: read.value.value } : read
}

function article(dimension: Dimension, capital = false): string {
  const words = dimension === 'amount' ? 'an amount of substance' : `a ${dimension}`
  return capital ? words[0]!.toUpperCase() + words.slice(1) : words
}
