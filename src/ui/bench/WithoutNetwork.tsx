'use client'

import { useKeepsOpen, type Keeping } from './keepsOpen'

const words: Readonly<Record<Keeping, string>> = {
  'not yet': 'This page is not kept on the tablet yet.',
  kept: 'This bench opens and reloads without the network.',
  'may be cleared':
    'This bench opens and reloads without the network. The browser may clear what it keeps when its storage is full: keep the page open.',
  'needs https':
    'Over plain http this page cannot open without the network, nor use the camera. What is written is still kept. The college gets both by serving Mozle over https.',
  cannot: 'This browser does not keep the page: without the network leave it open. What is written is still kept.',
}

/** Whether this bench opens without the network. */
export function WithoutNetwork() {
  const keeping = useKeepsOpen()
  return (
    <section
      className={`keeping ${keeping === 'kept' || keeping === 'may be cleared' ? 'good' : 'quiet'}`}
      aria-label="Without the network"
    >
      {words[keeping]}
    </section>
  )
}
