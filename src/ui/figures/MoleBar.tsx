import { useId } from 'react'

/**
 * A reactant's n/ν as a bar on the scale of the longest one. The line of the extent crosses every bar; what lies beyond it is the excess, hatched.
 */
export function MoleBar({ share, limit, label }: { share: number; limit: number; label: string }) {
  const hatch = useId()
  const within = Math.min(share, limit)
  return (
    <svg className="mole-bar" viewBox="0 0 200 28" preserveAspectRatio="none" role="img" aria-label={label}>
      <rect x="0" y="8" width={200 * within} height="12" fill="#22363a" />
      {share > limit && (
        <>
          <defs>
            <pattern id={hatch} width="5" height="5" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
              <rect width="5" height="5" fill="#fff" />
              <rect width="1.7" height="5" fill="#22363a" />
            </pattern>
          </defs>
          <rect
            x={200 * limit}
            y="8.5"
            width={200 * (share - limit)}
            height="11"
            fill={`url(#${hatch})`}
            stroke="#22363a"
            strokeWidth="1"
            vectorEffect="non-scaling-stroke"
          />
        </>
      )}
      <line x1={200 * limit} x2={200 * limit} y1="0" y2="28" stroke="#9a4f08" strokeWidth="2" vectorEffect="non-scaling-stroke" />
    </svg>
  )
}
