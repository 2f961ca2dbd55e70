/** A value outside React that screens can follow with `useSyncExternalStore`. */
export class Store<T> {
  private readonly listeners = new Set<() => void>()

  constructor(private value: T) {}

  readonly get = (): T => this.value

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener)
    return () => this.listeners.delete(listener)
  }

  set(value: T): void {
    this.value = value
    for (const listener of this.listeners) listener()
  }
}
