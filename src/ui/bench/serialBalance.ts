'use client'

import { readingIn, type InstrumentReading } from '@/devices/line'

/** What is used of a serial port; browsers that have none lack `navigator.serial`. */
interface SerialPort {
  open: (options: { baudRate: number }) => Promise<void>
  readable: ReadableStream<Uint8Array> | null
  writable: WritableStream<Uint8Array> | null
}

interface Serial {
  requestPort: () => Promise<SerialPort>
}

const serial = (): Serial | undefined => (navigator as { serial?: Serial }).serial

/** Whether a balance can be connected to this tablet itself: over https or on the device, in a browser with serial ports. */
export const hasSerial = (): boolean => typeof navigator !== 'undefined' && serial() !== undefined

let port: SerialPort | undefined
const patienceMs = 3000

/** Reads a balance at this tablet's own port that speaks the lines of docs/instruments.md; the first time a person chooses the port. @throws Error with words to show */
export async function readSerial(): Promise<InstrumentReading> {
  if (!port) {
    const chosen = await serial()!.requestPort()
    await chosen.open({ baudRate: 9600 })
    port = chosen
  }
  const writer = port.writable!.getWriter()
  await writer.write(new TextEncoder().encode('READ\n'))
  writer.releaseLock()
  const reader = port.readable!.getReader()
  const late = setTimeout(() => void reader.cancel(), patienceMs)
  try {
    let heard = ''
    const decoder = new TextDecoder()
    while (!heard.includes('\n')) {
      const { value, done } = await reader.read()
      if (done) throw new Error('The balance does not answer. Type what it shows.')
      heard += decoder.decode(value, { stream: true })
    }
    return readingIn(heard.slice(0, heard.indexOf('\n')))
  } finally {
    clearTimeout(late)
    reader.releaseLock()
  }
}
