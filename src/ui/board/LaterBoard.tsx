'use client'

import dynamic from 'next/dynamic'

/** The board of a large class, drawn by the browser alone: drawing it at the server would hold everybody else up. */
export const LaterBoard = dynamic(() => import('./Board').then(({ Board }) => Board), {
  ssr: false,
  loading: () => (
    <p className="quiet" role="status">
      The board of this class is being drawn.
    </p>
  ),
})
