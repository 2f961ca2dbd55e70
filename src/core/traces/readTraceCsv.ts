import Papa from 'papaparse'
import { readNumber, type Reading } from '../quantity/readQuantity'
import { inOrder } from './readJcamp'
import { mostPoints, type Trace } from './trace'

/** Fewer lines are a table of peaks or a mistake, and no curve. */
const leastPoints = 5

/** The line by which a file of two columns says of itself that no instrument has measured it. */
const simulatedLine = '# simulated=yes'

/**
 * Reads a chromatogram from text of two columns, time and signal, with or without a line of headings: separated by comma, semicolon or tab, with a point or, between semicolons or tabs, a comma in its numbers. A time in seconds says so in its heading.
 */
export function readTraceCsv(text: string, name = ''): Reading<Trace> {
  const { data } = Papa.parse<string[]>(text.trim(), { skipEmptyLines: 'greedy' })
  const lines = data.filter(([first = '']) => !first.startsWith('#'))
  if (lines.length > mostPoints) return { ok: false, problem: `It has ${lines.length} lines; at most ${mostPoints} are taken.` }
  const numbers = lines.map((line) => line.slice(0, 2).map((cell) => readNumber(cell.trim())))
  const isData = (index: number) => numbers[index]?.length === 2 && numbers[index].every(({ ok }) => ok)
  const first = lines.findIndex((_, index) => isData(index))
  if (first < 0)
    return {
      ok: false,
      problem: 'No line has two numbers: a chromatogram has a time and a signal in each line, such as 1.204,15.3.',
    }
  const broken = lines.findIndex((_, index) => index >= first && !isData(index))
  if (broken >= 0)
    return {
      ok: false,
      problem: `Line ${broken + 1} is “${lines[broken]!.join(', ').slice(0, 60)}”: two numbers, a time and a signal, are wanted.`,
    }
  if (lines.length - first < leastPoints)
    return {
      ok: false,
      problem: `It has ${lines.length - first} points: too few for a chromatogram. A table of peaks is typed or pasted instead.`,
    }
  const value = (index: number, column: 0 | 1) => (numbers[index]![column] as { value: { value: number } }).value.value
  const [time = '', signal = ''] = first > 0 ? lines[first - 1]! : []
  // The unit is read from a heading, which is no sentence: `time/s`, `t (min)`.
  const seconds = /(^|[^a-z])s(ec(onds?)?)?([^a-z]|$)/i.test(time.replace(/^[^/([,]*/, ''))
  const points = inOrder(
    lines.slice(first).map((_, index) => value(first + index, 0) / (seconds ? 60 : 1)),
    lines.slice(first).map((_, index) => value(first + index, 1)),
  )
  return {
    ok: true,
    value: {
      kind: 'chromatogram',
      title: name.slice(0, 120),
      xUnit: 'min',
      yUnit: signal.trim().slice(0, 40),
      ...points,
      peaksOnly: false,
      simulated: data.some(([first = '']) => first.trim() === simulatedLine),
    },
  }
}
