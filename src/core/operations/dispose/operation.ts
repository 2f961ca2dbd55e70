import type { Operation } from '../operation'
import { act } from '../made'

export const dispose: Operation = {
  name: 'dispose',
  danger: 'Acids, oxidisers and solvents never meet in one waste container.',
  make: act('Put away', 'Each waste into its own container; wipe the balance.', 8),
  place: 'waste',
  meanwhile: 'puts away',
}
