import type { Plan } from '@/core/plan/plan'
import acetanilide from './plans/acetanilide.json'
import benzil from './plans/benzil.json'
import benzilicAcid from './plans/benzilicAcid.json'
import benzoin from './plans/benzoin.json'
import fractionation from './plans/fractionation.json'
import isopentylAcetate from './plans/isopentylAcetate.json'
import methylhexanol from './plans/methylhexanol.json'
import methylNitrobenzoate from './plans/methylNitrobenzoate.json'
import recrystallisation from './plans/recrystallisation.json'
import separation from './plans/separation.json'
import tartaricAcid from './plans/tartaricAcid.json'
import testDay from './plans/testDay.json'
import trimyristin from './plans/trimyristin.json'

/** The preparations of the made-up college; the first two are those that its sessions use. */
export const plans = [
  acetanilide,
  benzoin,
  benzil,
  benzilicAcid,
  isopentylAcetate,
  methylhexanol,
  methylNitrobenzoate,
  trimyristin,
  separation,
  fractionation,
  tartaricAcid,
  testDay,
  recrystallisation,
] as unknown as Plan[]
