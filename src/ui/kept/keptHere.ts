import { openDB, type DBSchema, type IDBPDatabase } from 'idb'

/** Records that this device keeps, each under its own key and found by what it is about. */
export interface KeptHere<R> {
  /** The records about one thing, in no order. */
  about: (thing: string) => Promise<R[]>
  put: (...records: R[]) => Promise<void>
  remove: (keys: readonly string[]) => Promise<void>
}

interface Schema extends DBSchema {
  entry: { key: string; value: { key: string; about: string }; indexes: { about: string } }
  draft: { key: string; value: { key: string; about: string }; indexes: { about: string } }
  booked: { key: string; value: { key: string; about: string }; indexes: { about: string } }
}

type StoreName = 'entry' | 'draft' | 'booked'

let opened: Promise<IDBPDatabase<Schema>> | undefined

function database(): Promise<IDBPDatabase<Schema>> {
  opened ??= openDB<Schema>('mozle', 2, {
    upgrade(db) {
      for (const store of ['entry', 'draft', 'booked'] as const)
        if (!db.objectStoreNames.contains(store)) db.createObjectStore(store, { keyPath: 'key' }).createIndex('about', 'about')
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
export function keptHere<R extends { key: string; about: string }>(store: StoreName): KeptHere<R> {
  return {
    about: async (thing) => (await (await database()).getAllFromIndex(store, 'about', thing)) as R[],
    put: async (...records) => {
      const transaction = (await database()).transaction(store, 'readwrite')
      await Promise.all([...records.map((record) => transaction.store.put(record)), transaction.done])
    },
    remove: async (keys) => {
      const transaction = (await database()).transaction(store, 'readwrite')
      await Promise.all([...keys.map((key) => transaction.store.delete(key)), transaction.done])
    },
  }
}
