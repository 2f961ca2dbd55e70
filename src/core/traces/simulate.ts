import { bands, type AbsorbingGroup } from './bands'
import type { Trace } from './trace'

const gauss = (x: number, at: number, sigma: number) => Math.exp(-0.5 * ((x - at) / sigma) ** 2)
const lorentz = (x: number, at: number, half: number) => 1 / (1 + ((x - at) / half) ** 2)

/** A peak that a simulated chromatogram has: its area in signal × min. */
export interface SimulatedPeak {
  atMin: number
  area: number
  sigmaMin: number
}

/** A chromatogram from a model: Gaussian peaks over a drifting line with noise, for tests and the demo. */
export function simulateChromatogram(
  peaks: readonly SimulatedPeak[],
  { title, minutes, points, drift, noise }: { title: string; minutes: number; points: number; drift: number; noise: number },
  random: () => number,
): Trace {
  const x = Array.from({ length: points }, (_, index) => (minutes * index) / (points - 1))
  // The sum of twelve equal distributions less six is close to a normal one.
  const normal = () => Array.from({ length: 12 }, random).reduce((sum, value) => sum + value, -6)
  const y = x.map((at) => {
    const signal = peaks.reduce(
      (sum, { atMin, area, sigmaMin }) => sum + (area / (sigmaMin * Math.sqrt(2 * Math.PI))) * gauss(at, atMin, sigmaMin),
      0,
    )
    return 5 + drift * (at / minutes) + 0.3 * drift * Math.sin((3 * at) / minutes) + signal + noise * normal()
  })
  return { kind: 'chromatogram', title, xUnit: 'MINUTES', yUnit: 'DETECTOR SIGNAL', x, y, peaksOnly: false, simulated: true }
}

/** Where a simulated spectrum has bands that every organic substance has: C–H and the fingerprint; wavenumber, absorbance, half-width in cm⁻¹. */
const everywhere: readonly [number, number, number][] = [
  [2960, 0.55, 25],
  [2875, 0.35, 20],
  [1465, 0.3, 12],
  [1368, 0.25, 10],
  [905, 0.12, 10],
]

/** An infrared spectrum from a model: the middle of each band of the groups, in transmittance; `part` of each group as far as it is there. For tests and the demo. */
export function simulateInfrared(
  title: string,
  groups: readonly { group: AbsorbingGroup; part: number }[],
  random: () => number,
): Trace {
  const own = groups.flatMap(({ group, part }) =>
    bands
      .filter((band) => band.group === group)
      .map(({ low, high, bond }): [number, number, number] => {
        const broad = bond.startsWith('O–H')
        return [(low + high) / 2, part * (broad ? 0.6 : 0.9), broad ? (high - low) / 4 : 14]
      }),
  )
  const x = Array.from({ length: 1751 }, (_, index) => 500 + 2 * index)
  const y = x.map((at) => {
    const a = [...everywhere, ...own].reduce((sum, [centre, height, half]) => sum + height * lorentz(at, centre, half), 0.02)
    return 100 * 10 ** -a + 0.4 * (random() - 0.5)
  })
  return { kind: 'infrared', title, xUnit: '1/CM', yUnit: 'TRANSMITTANCE', x, y, peaksOnly: false, simulated: true }
}

/** A signal of a simulated proton spectrum: how many protons, and into how many lines it is split by equal neighbours. */
export interface SimulatedSignal {
  ppm: number
  protons: number
  lines: number
}

/** The spectrometer and the coupling that a proton spectrum is simulated with: MHz and Hz. */
const spectrometer = { mhz: 400, couplingHz: 7 }

/** Heights of the lines of a signal: the row of Pascal's triangle, which adds up to one. */
function parts(lines: number): number[] {
  let row = [1]
  for (let line = 1; line < lines; line++) row = [...row, 0].map((value, index) => value + (row[index - 1] ?? 0))
  return row.map((value) => value / 2 ** (lines - 1))
}

/** A proton spectrum from a model: each signal split to first order, Lorentzian lines 1 Hz wide, areas as their protons. For tests and the demo. */
export function simulateProtons(title: string, signals: readonly SimulatedSignal[], random: () => number): Trace {
  const step = spectrometer.couplingHz / spectrometer.mhz
  const half = 0.5 / spectrometer.mhz
  const lines = signals.flatMap(({ ppm, protons, lines: count }) =>
    parts(count).map((part, index) => ({ at: ppm + (index - (count - 1) / 2) * step, height: protons * part })),
  )
  const x = Array.from({ length: 6001 }, (_, index) => -0.5 + 0.001 * index)
  const y = x.map((at) => lines.reduce((sum, line) => sum + line.height * lorentz(at, line.at, half), 0.01 * (random() - 0.5)))
  return { kind: 'NMR', title, xUnit: 'PPM', yUnit: 'ARBITRARY UNITS', x, y, peaksOnly: false, simulated: true }
}
