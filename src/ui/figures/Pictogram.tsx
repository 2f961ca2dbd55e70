/** Hazard pictograms drawn for this program after the UN standard (GHS annex 1): a black sign in a red square on its point. */
const signs: Readonly<Record<string, { name: string; path: string }>> = {
  GHS01: {
    name: 'explosive',
    path: 'M46 58a11 11 0 1 0 .1 0zM58 44l16-16M60 52h22M52 40l4-20M42 42l-10-14',
  },
  GHS02: {
    name: 'flammable',
    path: 'M50 24c2 12 16 16 14 32-1 9-7 14-14 14s-14-5-14-14c0-7 5-10 6-17 4 3 5 6 5 9 3-6 4-14 3-24zM30 78h40',
  },
  GHS03: {
    name: 'oxidising',
    path: 'M50 22c2 8 9 11 8 20 5-2 5-6 5-9 5 9 3 17-3 20H40c-6-3-8-10-4-17 1 4 3 5 5 6 2-7 8-11 9-20zM50 54a11 11 0 1 0 .1 0zM32 80h36',
  },
  GHS04: { name: 'gas under pressure', path: 'M24 62l44-22c5-2 8 0 9 3s0 6-3 8L30 72zM66 41l8-4 2 5-8 4z' },
  GHS05: {
    name: 'corrosive',
    path: 'M26 32l22 8 2-5-22-8zM40 42v10M36 48v8M74 32l-22 8-2-5 22-8zM60 42v10M64 48v8M24 68h20l4-4 4 6h24v8H24z',
  },
  GHS06: {
    name: 'toxic',
    path: 'M50 22c12 0 18 8 18 17 0 6-3 9-6 12v6H38v-6c-3-3-6-6-6-12 0-9 6-17 18-17zM42 36a4 4 0 1 0 .1 0zM58 36a4 4 0 1 0 .1 0zM30 64l40 14M70 64L30 78',
  },
  GHS07: { name: 'harmful or irritant', path: 'M46 24h8l-2 34h-4zM50 64a5 5 0 1 0 .1 0z' },
  GHS08: {
    name: 'lasting harm to health',
    path: 'M50 20a8 8 0 1 0 .1 0zM34 46c4-6 28-6 32 0l8 32H26zM50 48l4 8 9-3-5 8 6 7-9-1-5 9-5-9-9 1 6-7-5-8 9 3z',
  },
  GHS09: {
    name: 'harmful to the environment',
    path: 'M24 74h52M34 74V44M34 56l-8-8M34 50l8-10M34 44l-4-8M50 66c8-10 18-10 24-4-4 8-16 10-24 4zM72 60l7-6v14z',
  },
}

/** The pictogram of a GHS code, with its meaning for those who cannot see it. */
export function Pictogram({ code }: { code: string }) {
  const sign = signs[code]
  if (!sign) return null
  return (
    <svg className="pictogram" viewBox="0 0 100 100" role="img" aria-label={`${code}, ${sign.name}`}>
      <title>{sign.name}</title>
      <path d="M50 3L97 50 50 97 3 50z" fill="#fff" stroke="#c8102e" strokeWidth="5" strokeLinejoin="round" />
      <path
        d={sign.path}
        transform="translate(50 50) scale(0.74) translate(-50 -50)"
        fill="#111"
        fillRule="evenodd"
        stroke="#111"
        strokeWidth="3"
        strokeLinejoin="round"
        strokeLinecap="round"
      />
    </svg>
  )
}
