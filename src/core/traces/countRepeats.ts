import { mostPoints } from './trace'

/** Labels under which a JCAMP-DX file holds its data (4.24 and 5.01, IUPAC), without what may stand between their letters. */
const dataLabels = new Set(['XYDATA', 'XYPOINTS', 'PEAKTABLE', 'PEAKASSIGNMENTS', 'RADATA', 'DATATABLE'])

/** How often a packed value is repeated: S to Z are 1 to 8, s is 9, and digits may follow (JCAMP-DX 4.24, table of the DUP form). */
const repeats = /([S-Zs])(\d*)/g

/**
 * How many points the data of a JCAMP-DX file ask for by saying that a value is repeated, counted from its text before any of them is made: a hundred bytes can ask for a hundred million. What is written out is bounded by
 * the size of the file. Counting ends where there are more than are taken.
 */
export function countRepeats(text: string): number {
  let points = 0
  for (const record of text.split(/^\s*##/m)) {
    const equals = record.indexOf('=')
    if (
      !dataLabels.has(
        record
          .slice(0, Math.max(0, equals))
          .replace(/[\s_/-]/g, '')
          .toUpperCase(),
      )
    )
      continue
    // The line of the label says the form.
    const data = record.slice(record.indexOf('\n') + 1).replace(/\$\$.*/g, '')
    for (const [, letter, digits] of data.matchAll(repeats)) {
      points += Number(`${letter === 's' ? 9 : letter!.charCodeAt(0) - 'R'.charCodeAt(0)}${digits}`)
      if (points > mostPoints) return points
    }
  }
  return points
}
