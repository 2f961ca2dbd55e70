import type { MatterEffect } from '../../matter/walk'

/** Another apparatus ends a distillation: what was collected is what the work goes on with. */
export const assembleEffect: MatterEffect = ({ still: _still, ...bench }) => bench
