import acetanilideFile from '@/demo/plans/acetanilide.json'
import benzoinFile from '@/demo/plans/benzoin.json'
import isopentylFile from '@/demo/plans/isopentylAcetate.json'
import type { Plan } from '@/core/plan/plan'

export const acetanilide = acetanilideFile as unknown as Plan
export const benzoin = benzoinFile as unknown as Plan
export const isopentylAcetate = isopentylFile as unknown as Plan
