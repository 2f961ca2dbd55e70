import type { Trace } from './trace'

const dataTypes = {
  infrared: 'INFRARED SPECTRUM',
  NMR: 'NMR SPECTRUM',
  chromatogram: 'GAS CHROMATOGRAM',
  'mass spectrum': 'MASS SPECTRUM',
} as const

/** The origin of what our own simulations write; files from before they had a label of its own are known by it. */
export const simulatedOrigin = 'simulated by Mozle, measured by no instrument'

/** A trace as a JCAMP-DX 4.24 file: XYPOINTS, or a PEAK TABLE, one pair a line. */
export function writeJcamp({ kind, title, xUnit, yUnit, x, y, peaksOnly, simulated }: Trace): string {
  const plain = (value: number) => String(Number(value.toPrecision(8)))
  return [
    `##TITLE=${title.replaceAll(/[\r\n]/g, ' ')}`,
    '##JCAMP-DX=4.24',
    `##DATA TYPE=${dataTypes[kind]}`,
    `##ORIGIN=${simulated ? simulatedOrigin : 'Mozle'}`,
    // What its origin says is for people; this is for whoever reads it back.
    ...(simulated ? ['##$SIMULATED=YES'] : []),
    '##OWNER=public domain',
    `##XUNITS=${xUnit}`,
    `##YUNITS=${yUnit}`,
    `##FIRSTX=${plain(x[0] ?? 0)}`,
    `##LASTX=${plain(x.at(-1) ?? 0)}`,
    '##XFACTOR=1',
    '##YFACTOR=1',
    `##NPOINTS=${x.length}`,
    peaksOnly ? '##PEAK TABLE=(XY..XY)' : '##XYPOINTS=(XY..XY)',
    ...x.map((value, index) => `${plain(value)}, ${plain(y[index]!)}`),
    '##END=',
    '',
  ].join('\n')
}
