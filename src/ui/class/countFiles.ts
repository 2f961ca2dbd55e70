/** How each file of a zip begins (APPNOTE.TXT 6.3.10, 4.3.7). */
const begins = [0x50, 0x4b, 0x03, 0x04] as const

/** Counts the files of a zip as its bytes arrive, in pieces of any size: good enough to say how far it has come. */
export function countFiles(): (bytes: Uint8Array) => number {
  let [files, matched] = [0, 0]
  return (bytes) => {
    for (const byte of bytes) {
      matched = byte === begins[matched] ? matched + 1 : byte === begins[0] ? 1 : 0
      if (matched === begins.length) [files, matched] = [files + 1, 0]
    }
    return files
  }
}
