'use client'

import { useEffect, useState, useSyncExternalStore } from 'react'
import { keptHere } from '../kept/keptHere'
import { Outbox, type KeptEntry } from '../run/outbox'
import { deliverTo } from '../run/useRun'

/** Delivers what a tablet wrote before its session closed, when it comes back to the network only afterwards. */
export function LateEntries({ run }: { run: string }) {
  const [outbox] = useState(
    () => new Outbox(run, keptHere<KeptEntry>('entry'), async (entries) => (await deliverTo(run, entries)).refused),
  )
  const { entries, refused, held } = useSyncExternalStore(outbox.subscribe, outbox.get, outbox.get)
  useEffect(() => {
    void outbox.start()
    return () => outbox.stop()
  }, [outbox])
  return (
    <p role="status">
      {entries.length > 0
        ? `${entries.length === 1 ? 'One entry is' : `${entries.length} entries are`} on the way to the book${held ? `: ${held}` : '.'}`
        : refused.length === 0
          ? 'Nothing is left on this tablet.'
          : `${refused.length === 1 ? 'One entry was' : `${refused.length} entries were`} not taken: ${refused[0]!.why}`}
    </p>
  )
}
