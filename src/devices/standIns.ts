import type { InstrumentKind } from './line'

/** A program that plays an instrument: it answers lines, at a time that it is told. */
export interface StandIn {
  answer: (line: string, nowMs: number) => string
}

/** A number in -1 … 1 that hangs together with the time alone, so that what a stand-in shows can be told beforehand. */
const wobble = (nowMs: number): number => Math.sin(nowMs / 170) * Math.cos(nowMs / 613)

const numbersIn = (words: readonly string[]): number[] => words.map(Number).filter(Number.isFinite)

/** A pan settles with this time, and a figure stands when it is as good as there, s. */
const settlesS = 0.7
/** Drift of a balance that warms up, g/h. */
const driftGPerH = 0.002

/** A balance: what is put on it settles, wavers while it moves, and drifts a little; it shows no more than its digits. */
function balance(decimals: number): StandIn {
  let [onPan, before, sinceMs, tareG] = [0, 0, 0, 0]
  const shown = (nowMs: number) => {
    const s = (nowMs - sinceMs) / 1000
    const left = Math.exp(-s / settlesS)
    const step = 10 ** -decimals
    const moving = Math.abs((onPan - before) * left) > step / 2
    const drift = (driftGPerH * s) / 3600
    const mass = onPan + (before - onPan) * left + (moving ? 2 * step * wobble(nowMs) : 0) + drift - tareG
    return { mass, moving }
  }
  return {
    answer: (line, nowMs) => {
      const [command, ...words] = line.trim().split(/\s+/)
      if (command === 'READ') {
        const { mass, moving } = shown(nowMs)
        return `READ ${mass.toFixed(decimals)} g ${moving ? 'moving' : 'stable'}`
      }
      if (command === 'TARE') {
        tareG += shown(nowMs).mass
        return 'OK'
      }
      const [grams] = numbersIn(words)
      if (command !== 'LOAD' || grams === undefined) return 'NO such command'
      before = shown(nowMs).mass + tareG
      onPan = grams
      sinceMs = nowMs
      return 'OK'
    },
  }
}

/** A probe in a liquid that is heated or cooled: it goes to its end as 1 − e^(−t/τ). */
function thermometer(): StandIn {
  let [fromC, toC, tauMin, sinceMs] = [21, 21, 1, 0]
  return {
    answer: (line, nowMs) => {
      const [command, ...words] = line.trim().split(/\s+/)
      const minutes = (nowMs - sinceMs) / 60_000
      const celsius = toC + (fromC - toC) * Math.exp(-minutes / tauMin)
      if (command === 'READ') {
        const moves = Math.abs(toC - celsius) > 0.5
        return `READ ${(celsius + 0.05 * wobble(nowMs)).toFixed(1)} C ${moves ? 'moving' : 'stable'}`
      }
      const [from, to, tau = 1] = numbersIn(words)
      if (command !== 'LOAD' || from === undefined || to === undefined || tau <= 0) return 'NO such command'
      ;[fromC, toC, tauMin, sinceMs] = [from, to, tau, nowMs]
      return 'OK'
    },
  }
}

/** A melting apparatus: the block rises with its ramp, reads off by its error, and the sample melts between its true onset and clear point. */
function melting(errorC: number): StandIn {
  let [onsetC, clearC, startC, perMin, sinceMs] = [100, 101, 25, 0, 0]
  return {
    answer: (line, nowMs) => {
      const [command, ...words] = line.trim().split(/\s+/)
      const trueC = startC + (perMin * (nowMs - sinceMs)) / 60_000
      if (command === 'READ')
        return `READ ${(trueC + errorC).toFixed(1)} C ${trueC < onsetC ? 'solid' : trueC < clearC ? 'melting' : 'liquid'}`
      const [a, b] = numbersIn(words)
      if (a === undefined || b === undefined) return 'NO such command'
      if (command === 'LOAD') [onsetC, clearC] = [a, b]
      else if (command === 'RAMP') [startC, perMin, sinceMs] = [a, b, nowMs]
      else return 'NO such command'
      return 'OK'
    },
  }
}

/** Most organic liquids change by so much to the kelvin (see refraction.ts). */
const indexPerK = -0.00045

/** A refractometer at the temperature of the room. */
function refractometer(roomC: number): StandIn {
  let at20C = 1.333
  return {
    answer: (line, nowMs) => {
      const [command, ...words] = line.trim().split(/\s+/)
      const atC = roomC + 0.3 * wobble(nowMs)
      if (command === 'READ') return `READ ${(at20C + indexPerK * (atC - 20)).toFixed(4)} nD ${atC.toFixed(1)} C`
      const [index] = numbersIn(words)
      if (command !== 'LOAD' || index === undefined) return 'NO such command'
      at20C = index
      return 'OK'
    },
  }
}

const makers: Readonly<Record<InstrumentKind, { name: string; make: () => StandIn }>> = {
  balance: { name: 'Balance 1', make: () => balance(3) },
  thermometer: { name: 'Probe 1', make: thermometer },
  melting: { name: 'Melting block 1', make: () => melting(0.3) },
  refractometer: { name: 'Refractometer 1', make: () => refractometer(23) },
}

/** The stand-in of a kind; it says who it is, too. */
export function standIn(kind: InstrumentKind): StandIn {
  const { name, make } = makers[kind]
  const made = make()
  return { answer: (line, nowMs) => (line.trim() === 'WHO' ? `WHO ${kind} stand-in ${name}` : made.answer(line, nowMs)) }
}
