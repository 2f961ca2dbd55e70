import { connect } from 'node:net'
import {
  instrumentKinds,
  nameIn,
  readingIn,
  type InstrumentKind,
  type InstrumentReading,
  type KnownInstrument,
} from '@/devices/line'
import { Refusal } from './refusal'

interface Address {
  kind: InstrumentKind
  host: string
  port: number
}

/** What `MOZLE_INSTRUMENTS` names: `balance=127.0.0.1:4501 thermometer=…`. What cannot be read is left out. */
export function addressesIn(said: string): Address[] {
  return said.split(/\s+/).flatMap((each): Address[] => {
    const [, kind, host, port] = /^([a-z]+)=([a-z0-9.-]{1,100}):(\d{1,5})$/i.exec(each) ?? []
    return instrumentKinds.some((known) => known === kind)
      ? [{ kind: kind as InstrumentKind, host: host!, port: Number(port) }]
      : []
  })
}

const addresses = () => addressesIn(process.env.MOZLE_INSTRUMENTS ?? '')

const patienceMs = 2000

/** Says one line to an instrument and hears one. @throws Refusal 502 where nothing answers */
function say({ host, port }: Address, line: string): Promise<string> {
  return new Promise((resolve, reject) => {
    const socket = connect({ host, port })
    let heard = ''
    const silent = () => {
      socket.destroy()
      reject(new Refusal(502, 'The instrument does not answer. Read it by eye and type what it shows.'))
    }
    socket.setTimeout(patienceMs, silent)
    socket.setEncoding('utf8')
    socket.once('error', silent)
    socket.on('data', (text: string) => {
      heard += text
      if (!heard.includes('\n')) return
      socket.destroy()
      resolve(heard.slice(0, heard.indexOf('\n')))
    })
    socket.write(`${line}\n`)
  })
}

/** The instruments that answer, with their names. */
export async function instruments(): Promise<KnownInstrument[]> {
  const found = await Promise.all(
    addresses().map(async (address) => {
      try {
        return [nameIn(await say(address, 'WHO'))]
      } catch {
        return []
      }
    }),
  )
  return found.flat()
}

function addressOf(kind: string): Address {
  const found = addresses().find((each) => each.kind === kind)
  if (!found) throw new Refusal(404, 'There is no such instrument here.')
  return found
}

/** Asks an instrument what it shows. @throws Refusal */
export async function readInstrument(kind: string): Promise<InstrumentReading> {
  const line = await say(addressOf(kind), 'READ')
  try {
    return readingIn(line)
  } catch (error) {
    throw new Refusal(502, (error as Error).message)
  }
}

/** Tells an instrument something, such as to tare. @throws Refusal where it will not */
export async function tellInstrument(kind: string, line: string): Promise<void> {
  if ((await say(addressOf(kind), line)) !== 'OK') throw new Refusal(502, 'The instrument does not do that.')
}

/** Puts something on a stand-in, where the instrument is one: a real one has what is really there. */
export async function loadStandIn(kind: string, line: string): Promise<void> {
  const address = addressOf(kind)
  if (nameIn(await say(address, 'WHO')).standIn) await say(address, line)
}
