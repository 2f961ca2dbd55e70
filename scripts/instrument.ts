/**
 * A stand-in for an instrument, or several: each answers the lines of docs/instruments.md on a port of the loopback.
 *
 *     tsx scripts/instrument.ts balance 4501
 */
import { createServer } from 'node:net'
import { instrumentKinds, type InstrumentKind } from '@/devices/line'
import { standIn } from '@/devices/standIns'

/** No line is longer. */
const longest = 200

function play(kind: InstrumentKind, port: number): void {
  const played = standIn(kind)
  createServer((socket) => {
    let waiting = ''
    socket.setEncoding('utf8')
    socket.on('error', () => socket.destroy())
    socket.on('data', (text: string) => {
      waiting += text
      if (waiting.length > longest) return socket.destroy()
      const lines = waiting.split('\n')
      waiting = lines.pop()!
      for (const line of lines) socket.write(`${played.answer(line, Date.now())}\n`)
    })
  }).listen(port, '127.0.0.1')
}

const said = process.argv.slice(2)
for (let at = 0; at < said.length; at += 2) {
  const [kind, port] = [said[at], Number(said[at + 1])]
  if (!instrumentKinds.some((each) => each === kind) || !Number.isInteger(port)) {
    console.error(`An instrument is ${instrumentKinds.join(', ')}, and has a port.`)
    process.exit(2)
  }
  play(kind as InstrumentKind, port)
}
for (const signal of ['SIGTERM', 'SIGINT'] as const) process.once(signal, () => process.exit(0))
