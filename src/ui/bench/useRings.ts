'use client'

import { useEffect, useRef } from 'react'
import { ringsAtMs, type Clock } from '@/core/run/clocks'

const key = 'mozle-rings'

/** Whether clocks are heard on this device; they are until somebody says otherwise. */
export const ringsAloud = (): boolean => {
  try {
    return localStorage.getItem(key) !== 'silent'
  } catch {
    return true
  }
}

export function setRingsAloud(aloud: boolean): void {
  try {
    localStorage.setItem(key, aloud ? 'aloud' : 'silent')
  } catch {
    // A device that keeps nothing rings.
  }
}

let sound: AudioContext | undefined

/** Three short notes and a shake, where the device allows them. */
function ring(): void {
  navigator.vibrate?.([200, 100, 200])
  if (!ringsAloud()) return
  try {
    sound ??= new AudioContext()
    void sound.resume()
    for (const [index, hertz] of [880, 660, 880].entries()) {
      const [note, volume] = [sound.createOscillator(), sound.createGain()]
      const from = sound.currentTime + 0.25 * index
      note.frequency.value = hertz
      volume.gain.setValueAtTime(0.2, from)
      volume.gain.exponentialRampToValueAtTime(0.001, from + 0.2)
      note.connect(volume).connect(sound.destination)
      note.start(from)
      note.stop(from + 0.2)
    }
  } catch {
    // A device without sound shows it alone.
  }
}

/** Rings each clock when it is due, those that repeat each time; what was due before the page opened is shown, not rung. */
export function useRings(clocks: readonly Clock[]): void {
  const rung = useRef(new Map<string, number>())
  // Kept over every entry: one that comes just after a clock was due must not silence it.
  const opened = useRef<number>(undefined)
  useEffect(() => {
    const openedAt = (opened.current ??= Date.now())
    const look = () => {
      const now = Date.now()
      for (const clock of clocks) {
        const name = `${clock.step} ${clock.own ?? clock.label} ${clock.from}`
        const due = ringsAtMs(clock, rung.current.get(name) ?? openedAt)
        if (due === null || due > now) continue
        rung.current.set(name, now)
        ring()
      }
    }
    const timer = setInterval(look, 1000)
    return () => clearInterval(timer)
  }, [clocks])
}
