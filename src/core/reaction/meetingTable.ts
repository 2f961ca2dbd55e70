import type { Grave, Meeting } from './meeting'
import { explosions } from './meetings/explosions'
import { fires } from './meetings/fires'
import { heats } from './meetings/heats'
import { incompatibles } from './meetings/incompatibles'
import { oxidisers } from './meetings/oxidisers'
import { poisons } from './meetings/poisons'
import { takenApart } from './meetings/takenApart'

const graver: readonly Grave[] = ['kills', 'injures', 'heed']

/**
 * What happens where two classes meet (Urben, ed., Bretherick's Handbook of Reactive Chemical Hazards; Prudent Practices in the Laboratory, National Research Council, for what is to be kept apart). The graver stands before the milder where a pair could be found twice.
 */
export const meetingTable: readonly Meeting[] = [
  ...poisons,
  ...explosions,
  ...oxidisers,
  ...incompatibles,
  ...fires,
  ...takenApart,
  ...heats,
].sort((a, b) => graver.indexOf(a.grave) - graver.indexOf(b.grave))
