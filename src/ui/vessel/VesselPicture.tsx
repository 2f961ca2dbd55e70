import type { StandingVessel } from '@/core/operations/vessel/standsIn'
import { between, levelsOf, outline, shapeOf } from './shapes'

const middle = 56
const bottom = 128

interface Props {
  vessel: StandingVessel
  /** The phase that is opened, from the bottom up. */
  opened?: number | undefined
  onOpen?: ((phase: number) => void) | undefined
}

/** A vessel of which nobody has said how large it is, is drawn as large as this many times what it holds. */
const ampleTimes = 2

/** What is least of a phase that is drawn, in the units of the drawing. */
const seen = 4

/** A vessel with its phases up to where they stand in it. What it holds is said beside it in words. */
export function VesselPicture({ vessel, opened, onOpen }: Props) {
  const { kind, sizeML, phases } = vessel
  const shape = shapeOf(kind)
  const all = phases.reduce((sum, { mL }) => sum + mL, 0)
  const size = sizeML ?? (all > 0 ? ampleTimes * all : 1)
  const tops = levelsOf(
    shape,
    phases.map(({ mL }) => mL / size),
  )
  return (
    <svg viewBox="0 0 112 134" className={`vessel ${sizeML === null ? 'unsized' : ''}`} aria-hidden="true">
      {phases.map((phase, at) => {
        const low = at === 0 ? 0 : tops[at - 1]!
        // What is there is seen, however little.
        const high = Math.max(tops[at]!, low + seen)
        return (
          <g key={at} className={opened === at ? 'opened' : undefined} onClick={onOpen && (() => onOpen(at))}>
            <polygon className={`phase ${phase.kind}`} points={between(shape, low, high, middle, bottom)} />
            <Marks kind={phase.kind} points={[low, high]} half={shape.half((low + high) / 2)} />
          </g>
        )
      })}
      <polyline className="glass" points={outline(shape, middle, bottom)} />
    </svg>
  )
}

/** Told apart without colour: strokes for water, dots for a solid. */
function Marks({ kind, points: [low, high], half }: { kind: string; points: readonly [number, number]; half: number }) {
  if (kind === 'organic') return null
  const rows = Math.max(1, Math.floor((high - low) / 9))
  return (
    <g className="marks">
      {Array.from({ length: rows }, (_, row) => bottom - low - ((row + 0.5) * (high - low)) / rows).flatMap((y, row) =>
        Array.from({ length: 5 }, (_, column) => {
          const x = middle + (column - 2 + (row % 2 === 0 ? 0 : 0.5)) * half * 0.36
          return Math.abs(x - middle) > half - 4 ? null : kind === 'watery' ? (
            <path key={`${y} ${x}`} d={`M${x - 3},${y} h6`} />
          ) : (
            <circle key={`${y} ${x}`} cx={x} cy={y} r={1.2} />
          )
        }),
      )}
    </g>
  )
}
