/** A balance at the tablet's own port, played. */
import { hasSerial, readSerial } from './serialBalance'

/** A port that answers each line that it is sent. */
function played(answers: (line: string) => string[]) {
  let push: (text: string) => void = () => undefined
  const readable = new ReadableStream<Uint8Array>({
    start: (controller) => {
      push = (text) => controller.enqueue(new TextEncoder().encode(text))
    },
  })
  const writable = new WritableStream<Uint8Array>({
    write: (bytes) => answers(new TextDecoder().decode(bytes)).forEach((part) => push(part)),
  })
  return { open: async () => undefined, readable, writable }
}

test('a browser without ports has none; with one the balance is asked, and a line may come in pieces', async () => {
  expect(hasSerial()).toBe(false)
  const heard: string[] = []
  let asked = 0
  const port = played((line) => {
    heard.push(line)
    return ['READ 27.4', '83 g st', 'able\n']
  })
  const serial = {
    requestPort: async () => {
      asked++
      return port
    },
  }
  Object.defineProperty(globalThis, 'navigator', { configurable: true, value: { serial } })
  expect(hasSerial()).toBe(true)
  expect(await readSerial()).toEqual({ value: 27.483, decimals: 3, unit: 'g', state: 'stable' })
  expect(await readSerial()).toMatchObject({ value: 27.483 })
  // Which port it is a person says once.
  expect([asked, heard]).toEqual([1, ['READ\n', 'READ\n']])
  delete (globalThis as { navigator?: unknown }).navigator
})
