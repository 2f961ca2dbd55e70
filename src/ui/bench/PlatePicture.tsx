import { useState } from 'react'

interface Props {
  frontMM: number | null
  spots: readonly { of: string; mm: number | null }[]
  onFront: (mm: number) => void
  onSpot: (mm: number) => void
}

/** The plate is drawn so long, from its start to its upper edge, mm; two units of the picture to the millimetre. */
const longMM = 80
const scale = 2.6
const laneMM = 12

/** The plate as it lies on the bench: a touch sets the front, then a spot in the next lane, to half a millimetre. The fields beside it take the same by key. */
export function PlatePicture({ frontMM, spots, onFront, onSpot }: Props) {
  const [sets, setSets] = useState<'front' | 'spot'>(frontMM === null ? 'front' : 'spot')
  const width = Math.max(3, spots.length + 1) * laneMM * scale
  const height = (longMM + 14) * scale
  const y = (mm: number) => (longMM + 6 - mm) * scale
  return (
    <div className="plate-picture">
      <div className="choice" role="group" aria-label="What a touch sets">
        <button type="button" aria-pressed={sets === 'front'} onClick={() => setSets('front')}>
          the front
        </button>
        <button type="button" aria-pressed={sets === 'spot'} onClick={() => setSets('spot')}>
          a spot
        </button>
      </div>
      <svg
        width={width}
        height={height}
        viewBox={`0 0 ${width} ${height}`}
        aria-hidden="true"
        onPointerDown={(event) => {
          const box = event.currentTarget.getBoundingClientRect()
          const at = longMM + 6 - ((event.clientY - box.top) * height) / box.height / scale
          const mm = Math.round(2 * Math.min(longMM, Math.max(0, at))) / 2
          if (sets === 'front') {
            onFront(mm)
            setSets('spot')
          } else onSpot(frontMM === null ? mm : Math.min(mm, frontMM))
        }}
      >
        <rect x="1" y="1" width={width - 2} height={height - 2} className="glass" />
        <line x1="4" x2={width - 4} y1={y(0)} y2={y(0)} className="start" />
        {frontMM !== null && frontMM <= longMM && (
          <line x1="4" x2={width - 4} y1={y(frontMM)} y2={y(frontMM)} className="front" />
        )}
        {spots.map(({ mm }, index) =>
          mm === null || mm > longMM ? null : (
            <ellipse
              key={index}
              cx={(index + 1) * laneMM * scale}
              cy={y(mm)}
              rx={3.2 * scale}
              ry={2.2 * scale}
              className="spot-mark"
            />
          ),
        )}
      </svg>
    </div>
  )
}
