import { Refusal } from './refusal'

/** So many may wait; who comes later is told so at once, instead of waiting longer than anybody does. */
const mostWaiting = 60

/**
 * Does costly things one after the other, so that they never take more than one core, whoever asks for how many. Who is known goes before strangers.
 */
export class OneAtATime {
  private readonly known: (() => void)[] = []
  private readonly strangers: (() => void)[] = []
  private busy = false

  /** @throws Refusal 503 where too many wait already */
  async run<T>(task: () => Promise<T>, isKnown: boolean): Promise<T> {
    const line = isKnown ? this.known : this.strangers
    if (this.busy) {
      if (line.length >= mostWaiting)
        throw new Refusal(503, 'Very many sign in at this moment. Try again in a few seconds; what you typed is still here.')
      await new Promise<void>((resolve) => line.push(resolve))
    }
    this.busy = true
    try {
      return await task()
    } finally {
      const next = this.known.shift() ?? this.strangers.shift()
      if (next) next()
      else this.busy = false
    }
  }
}
