/** What comes next: a heap of moments, each with a whole number that says what happens. */
export class Events {
  private readonly times: Float64Array
  private readonly what: Int32Array
  size = 0

  constructor(most: number) {
    this.times = new Float64Array(most + 1)
    this.what = new Int32Array(most + 1)
  }

  /** The time of the next event; Infinity where there is none. */
  get next(): number {
    return this.size === 0 ? Infinity : this.times[0]!
  }

  add(time: number, what: number): void {
    let at = this.size++
    while (at > 0) {
      const above = (at - 1) >> 1
      if (this.times[above]! <= time) break
      this.times[at] = this.times[above]!
      this.what[at] = this.what[above]!
      at = above
    }
    this.times[at] = time
    this.what[at] = what
  }

  /** Takes the next event out and says what happens. */
  take(): number {
    const first = this.what[0]!
    const last = --this.size
    const time = this.times[last]!
    const what = this.what[last]!
    let at = 0
    for (;;) {
      let below = 2 * at + 1
      if (below >= last) break
      if (below + 1 < last && this.times[below + 1]! < this.times[below]!) below++
      if (this.times[below]! >= time) break
      this.times[at] = this.times[below]!
      this.what[at] = this.what[below]!
      at = below
    }
    this.times[at] = time
    this.what[at] = what
    return first
  }
}
