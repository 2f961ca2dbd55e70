/** A process of its own that writes the archive of one session to its output, started by `exported.ts`: `archiveProcess.ts SESSION MOMENT`. */
import { once } from 'node:events'
import { database } from '@/data/connect'
import { writeArchive } from '../archive'

const [id = '', at = ''] = process.argv.slice(2)
database()
await writeArchive(
  id,
  {
    begins: (head) => void process.send!(head),
    write: async (bytes) => {
      if (!process.stdout.write(bytes)) await once(process.stdout, 'drain')
    },
  },
  new Date(at),
)
process.stdout.end(() => process.exit(0))
// Whoever asked is gone.
process.once('disconnect', () => process.exit(1))
