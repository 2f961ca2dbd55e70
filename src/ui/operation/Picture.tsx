'use client'

import dynamic from 'next/dynamic'
import type { Context, Filled } from '@/core/operations/planner'
import { plannerFor } from '@/core/operations/planners'
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

/** What an operation has to show beside its figures. */
export function Picture({ context, filled }: { context: Context; filled: Filled }) {
  switch (plannerFor(context.step)?.of) {
    case 'reflux':
    case 'heat':
    case 'cool':
      return <BandPicture context={context} filled={filled} />
    case 'extract':
      return (
        <>
          <LayersPicture context={context} />
          <PortionsPicture context={context} filled={filled} />
        </>
      )
    case 'wash':
      return (
        <>
          <WashesPicture context={context} filled={filled} />
          <LayersPicture context={context} />
        </>
      )
    case 'distil':
      return <DistillationPicture context={context} filled={filled} />
    case 'crystallise':
      return <CrystallisationPicture context={context} filled={filled} />
    case 'dry':
      return <DryingPicture context={context} filled={filled} />
    case 'melt':
      return <MeltingPicture context={context} filled={filled} />
    case 'test':
      return <TubesPicture filled={filled} />
    default:
      return null
  }
}
