/** A map that stands in a module, with what was in it when that was loaded. */
interface Held {
  map: Map<unknown, unknown>
  loaded: Set<unknown>
}

const PlainMap = Map

/** What modules remember between two calls in maps, weak or not: it is forgotten after each change, since it was worked out with it. */
export class ModuleMemory {
  maps: Held[] = []
  private generation = 0

  /** @param loading whether a module is being loaded now: only what is made then outlasts a call */
  constructor(globals: Record<string, unknown>, loading: () => boolean) {
    const now = () => this.generation
    const hold = (map: Map<unknown, unknown>) => loading() && this.maps.push({ map, loaded: new Set() })
    globals.WeakMap = class<K extends object, V> extends WeakMap<K, { of: number; value: V }> {
      private kept(key: K) {
        const found = super.get(key)
        return found?.of === now() ? found : undefined
      }
      override get(key: K): never {
        return this.kept(key)?.value as never
      }
      override has(key: K): boolean {
        return this.kept(key) !== undefined
      }
      override set(key: K, value: never): this {
        return super.set(key, { of: now(), value })
      }
    }
    globals.Map = class<K, V> extends PlainMap<K, V> {
      constructor(entries?: Iterable<readonly [K, V]> | null) {
        super(entries)
        hold(this as unknown as Map<unknown, unknown>)
      }
    }
  }

  /** What stands in the maps now is their own, and stays. */
  isLoaded(): void {
    for (const each of this.maps) each.loaded = new Set(each.map.keys())
  }

  forget(): void {
    this.generation++
    for (const { map, loaded } of this.maps) for (const key of [...map.keys()]) if (!loaded.has(key)) map.delete(key)
  }
}
