/** Makes the commands that are asked again and again one file each; `mozle` runs it where a source is newer than what stands there. */
import { bundle } from './bundle'

const folder = process.argv[2]!
await bundle(['scripts/readProcess.ts'], `${folder}/apart`)
await bundle(['scripts/quick.ts'], folder)
