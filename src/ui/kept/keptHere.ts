import { openDB, type DBSchema, type IDBPDatabase } from 'idb'

/** Records that this device keeps, each under its own key and found by what it is about. */
export interface KeptHere<R> {
  /** The records about one thing, in no order. */
  about: (thing: string) => Promise<R[]>
  put: (record: R) => Promise<void>
  remove: (keys: readonly string[]) => Promise<void>
}

interface Schema extends DBSchema {
  entry: { key: string; value: { key: string; about: string }; indexes: { about: string } }
  draft: { key: string; value: { key: string; about: string }; indexes: { about: string } }
}

let opened: Promise<IDBPDatabase<Schema>> | undefined

function database(): Promise<IDBPDatabase<Schema>> {
  opened ??= openDB<Schema>('mozle', 1, {
    upgrade(db) {
      for (const store of ['entry', 'draft'] as const)
        db.createObjectStore(store, { keyPath: 'key' }).createIndex('about', 'about')
    },
    // A newer page of the same browser takes over; this one opens again when it is asked next.
    blocking(_current, _blocked, event) {
      ;(event.target as IDBDatabase).close()
      opened = undefined
    },
    terminated() {
      opened = undefined
    },
  })
  // A store that cannot be opened now may be opened later: the failure is not kept.
  opened.catch(() => (opened = undefined))
  return opened
}

/** A store of the browser's own database: one record for each thing written, so that two windows never write over each other's. */
export function keptHere<R extends { key: string; about: string }>(store: 'entry' | 'draft'): KeptHere<R> {
  return {
    about: async (thing) => (await (await database()).getAllFromIndex(store, 'about', thing)) as R[],
    put: async (record) => void (await (await database()).put(store, record)),
    remove: async (keys) => {
      const transaction = (await database()).transaction(store, 'readwrite')
      await Promise.all([...keys.map((key) => transaction.store.delete(key)), transaction.done])
    },
  }
}
