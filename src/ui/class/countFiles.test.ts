import { strToU8, zipSync } from 'fflate'
import { countFiles } from './countFiles'

test('files of a zip are counted whatever the pieces in which it arrives', () => {
  const bytes = zipSync(Object.fromEntries(Array.from({ length: 23 }, (_, index) => [`${index}.txt`, strToU8(`words ${index}`)])))
  for (const size of [1, 2, 3, 7, 64, bytes.length]) {
    const count = countFiles()
    let found = 0
    for (let at = 0; at < bytes.length; at += size) found = count(bytes.subarray(at, at + size))
    expect([size, found]).toEqual([size, 23])
  }
})
