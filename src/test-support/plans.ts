import acetanilideFile from '@/demo/plans/acetanilide.json'
import benzilFile from '@/demo/plans/benzil.json'
import benzoinFile from '@/demo/plans/benzoin.json'
import fractionationFile from '@/demo/plans/fractionation.json'
import isopentylFile from '@/demo/plans/isopentylAcetate.json'
import methylhexanolFile from '@/demo/plans/methylhexanol.json'
import nitrobenzoateFile from '@/demo/plans/methylNitrobenzoate.json'
import separationFile from '@/demo/plans/separation.json'
import recrystallisationFile from '@/demo/plans/recrystallisation.json'
import tartaricFile from '@/demo/plans/tartaricAcid.json'
import testDayFile from '@/demo/plans/testDay.json'
import trimyristinFile from '@/demo/plans/trimyristin.json'
import type { Plan } from '@/core/plan/plan'

export const acetanilide = acetanilideFile as unknown as Plan
export const benzil = benzilFile as unknown as Plan
export const benzoin = benzoinFile as unknown as Plan
export const isopentylAcetate = isopentylFile as unknown as Plan
export const fractionation = fractionationFile as unknown as Plan
export const methylhexanol = methylhexanolFile as unknown as Plan
export const methylNitrobenzoate = nitrobenzoateFile as unknown as Plan
export const separation = separationFile as unknown as Plan
export const trimyristin = trimyristinFile as unknown as Plan
export const tartaricAcid = tartaricFile as unknown as Plan
export const testDay = testDayFile as unknown as Plan
export const recrystallisation = recrystallisationFile as unknown as Plan
