'use client'

import dynamic from 'next/dynamic'
import type { ComponentType } from 'react'
import type { Context } from '@/core/operations/planner'
import type { Filled } from '@/core/operations/fields'
import { operationOf, type OperationKey } from '@/core/operations/registry'
import { orSaid } from './orSaid'
import { LayersPicture } from './LayersPicture'
import { TubesPicture } from './TubesPicture'
import { WashesPicture } from './WashesPicture'

// Charts come only with a step that shows one: the pages that show none stay light.
const DistillationPicture = dynamic(() => orSaid(import('./DistillationPicture').then((module) => module.DistillationPicture)), {
  ssr: false,
})
const CrystallisationPicture = dynamic(
  () => orSaid(import('./CrystallisationPicture').then((module) => module.CrystallisationPicture)),
  { ssr: false },
)
const PortionsPicture = dynamic(() => orSaid(import('./PortionsPicture').then((module) => module.PortionsPicture)), {
  ssr: false,
})
const DryingPicture = dynamic(() => orSaid(import('./DryingPicture').then((module) => module.DryingPicture)), { ssr: false })
const MeltingPicture = dynamic(() => orSaid(import('./MeltingPicture').then((module) => module.MeltingPicture)), { ssr: false })
const BandPicture = dynamic(() => orSaid(import('./BandPicture').then((module) => module.BandPicture)), { ssr: false })

/** What a picture is drawn from. */
export interface Drawn<B = Filled> {
  context: Context
  filled: B
}

/** A picture as the registry keeps it: each is drawn only for its own operation, whose blanks it knows. */
export const drawing = <B,>(picture: ComponentType<Drawn<B>>) => picture as unknown as ComponentType<Drawn>

/** The pictures of the operations that have some. */
const pictures: Partial<Record<OperationKey, readonly ComponentType<Drawn>[]>> = {
  reflux: [drawing(BandPicture)],
  heat: [drawing(BandPicture)],
  cool: [drawing(BandPicture)],
  extract: [drawing(LayersPicture), drawing(PortionsPicture)],
  wash: [drawing(WashesPicture), drawing(LayersPicture)],
  distil: [drawing(DistillationPicture)],
  crystallise: [drawing(CrystallisationPicture)],
  dry: [drawing(DryingPicture)],
  melt: [drawing(MeltingPicture)],
  test: [drawing(TubesPicture)],
}

/** What an operation has to show beside its figures. */
export function Picture({ context, filled }: Drawn) {
  const operation = operationOf(context.step)
  return (operation ? (pictures[operation] ?? []) : []).map((Drawing, index) => (
    <Drawing key={index} context={context} filled={filled} />
  ))
}
