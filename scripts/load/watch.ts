import { setMaxListeners } from 'node:events'
import { get } from 'node:http'

/** One that ends hundreds of streams at once, without a warning that these are many. */
export function aborter(): AbortController {
  const stop = new AbortController()
  setMaxListeners(0, stop.signal)
  return stop
}

/**
 * Opens a stream and tells every entry's id that comes. By node's own client: two hundred web streams would take the processor that is to be measured.
 * @param from the cursor after which it goes on
 * @returns a promise of the cursor that was seen last, when the stream ends
 */
export async function watch(
  address: string,
  cookie: string,
  signal: AbortSignal,
  seen: (id: string) => void,
  from?: string,
): Promise<{ ended: Promise<string | undefined> }> {
  return new Promise((resolve, reject) => {
    const headers = { cookie, ...(from === undefined ? {} : { 'last-event-id': from }) }
    const asking = get(address, { headers, signal, agent: false }, (answer) => {
      if (answer.statusCode !== 200) return reject(new Error(`A stream did not open: ${answer.statusCode}`))
      let [text, last] = ['', from]
      answer.setEncoding('latin1').on('data', (part: string) => {
        text += part
        const end = text.lastIndexOf('\n\n')
        if (end < 0) return
        const whole = text.slice(0, end)
        for (const [, id] of whole.matchAll(/"id":"([0-9A-Z]{26})","seq"/g)) seen(id!)
        last = [...whole.matchAll(/^id: (.+)$/gm)].at(-1)?.[1] ?? last
        text = text.slice(end)
      })
      // The round is over, or the application went away.
      answer.on('error', () => undefined)
      resolve({ ended: new Promise((done) => answer.once('close', () => done(last))) })
    })
    asking.on('error', (error) => (signal.aborted ? undefined : reject(error)))
  })
}
