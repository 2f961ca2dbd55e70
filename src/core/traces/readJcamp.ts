import { simulatedOrigin } from './writeJcamp'
import { convert } from 'jcampconverter'
import { countRepeats } from './countRepeats'
import type { Reading } from '../quantity/readQuantity'
import { mostPoints, type Trace, type TraceKind } from './trace'

/** Which kind of trace a file says it holds, by its data type and its x unit (JCAMP-DX 4.24 and 5.01, IUPAC). */
function kindOf(dataType: string, xUnit: string): TraceKind | null {
  const type = dataType.toUpperCase()
  if (type.includes('INFRARED')) return 'infrared'
  if (type.includes('NMR')) return 'NMR'
  if (type.includes('MASS')) return 'mass spectrum'
  if (type.includes('CHROMATOGRAM') || type.includes('CHROMATOGRAPH')) return 'chromatogram'
  const unit = xUnit.toUpperCase()
  if (unit.includes('1/CM')) return 'infrared'
  if (unit.includes('PPM')) return 'NMR'
  if (unit.includes('M/Z')) return 'mass spectrum'
  return /MIN|SEC/.test(unit) ? 'chromatogram' : null
}

/** A curve as pairs of x and y. */
const pairs = /##XY ?POINTS\s*=/i

/** Whether a file says of itself that no instrument has measured it. */
const saysSimulated = (text: string): boolean =>
  /^##\$SIMULATED\s*=\s*YES\s*$/im.test(text) || /^##ORIGIN\s*=(.*)$/im.exec(text)?.[1]?.trim() === simulatedOrigin

/** Points that increase in x, once each; what is not finite is left out. */
export function inOrder(x: readonly number[], y: readonly number[]): Pick<Trace, 'x' | 'y'> {
  const pairs = x
    .map((value, index) => [value, y[index]] as const)
    .filter((pair): pair is readonly [number, number] => Number.isFinite(pair[0]) && Number.isFinite(pair[1]))
    .sort((a, b) => a[0] - b[0])
  return { x: pairs.map(([value]) => value), y: pairs.map(([, value]) => value) }
}

/**
 * Reads the first curve or peak table of a JCAMP-DX file: infrared, NMR, chromatogram or mass spectrum, in any of its packed forms.
 */
export function readJcamp(text: string): Reading<Trace> {
  if (!/^\s*(\$\$.*\n\s*)*##TITLE\s*=/i.test(text))
    return { ok: false, problem: 'This is no JCAMP-DX file: it does not begin with ##TITLE=.' }
  if (!/##END\s*=/i.test(text)) return { ok: false, problem: 'The file breaks off: a JCAMP-DX file ends with ##END=.' }
  if (countRepeats(text) > mostPoints)
    return { ok: false, problem: `It unpacks to more than ${mostPoints} points, which is more than is taken.` }
  let found
  try {
    // The library reads pairs under one of their two labels. No other record of the file is kept: some of them could ask for any amount of memory.
    found = convert(text.replace(pairs, '##PEAK TABLE='), { keepRecordsRegExp: /^$/, noContour: true })
  } catch (error) {
    return { ok: false, problem: `The data of this JCAMP-DX file cannot be read: ${(error as Error).message}.` }
  }
  for (const { spectra, dataType = '', title } of found.flatten) {
    const spectrum = spectra?.[0]
    const data = spectrum?.data as { x?: ArrayLike<number>; y?: ArrayLike<number> } | undefined
    if (!spectrum || !data?.x || !data.y || data.x.length === 0) continue
    const xUnit = String(spectrum.xUnits ?? '')
    const kind = kindOf(String(dataType), xUnit)
    if (!kind)
      return {
        ok: false,
        problem: `“${String(dataType) || 'no data type'}” is not taken: infrared, NMR, a chromatogram or a mass spectrum is.`,
      }
    if (data.x.length > mostPoints)
      return { ok: false, problem: `It has ${data.x.length} points; at most ${mostPoints} are taken.` }
    const points = inOrder(Array.from(data.x), Array.from(data.y))
    if (points.x.length === 0) continue
    return {
      ok: true,
      value: {
        kind,
        title: String(title ?? '').slice(0, 120),
        xUnit,
        yUnit: String(spectrum.yUnits ?? ''),
        ...points,
        peaksOnly: spectrum.isPeaktable === true && !pairs.test(text),
        simulated: saysSimulated(text),
      },
    }
  }
  return { ok: false, problem: 'The file holds no curve and no peaks: ##XYDATA=, ##XYPOINTS= or ##PEAK TABLE= is looked for.' }
}
