'use client'

import { useMemo, useState } from 'react'
import type { Lab } from '@/core/lab/lab'
import type { Readings } from '@/core/matter/walk'
import { standsIn, walkOf, type StandingVessel, type When } from '@/core/operations/vessel/standsIn'
import type { Plan, Step } from '@/core/plan/plan'
import type { ReactionTable } from '@/core/reaction/reactionTable'
import { VesselPicture } from './VesselPicture'
import { amountText, fromText, mmolText, phaseName, phaseText, vesselText } from './words'

const whens: readonly { when: When; label: string }[] = [
  { when: 'before', label: 'Before this step' },
  { when: 'during', label: 'During this step' },
  { when: 'after', label: 'After this step' },
]

interface Props {
  plan: Plan
  table: ReactionTable
  step: Step
  lab: Lab
  /** What a bench has measured. */
  readings?: Readings | undefined
}

/** What stands in the vessels before, while and after a step is done: drawn to the size of the glass, and in words what each phase holds, how much of it, where it comes from and how sure that is. */
export function WhatIsIn({ plan, table, step, lab, readings }: Props) {
  const [when, setWhen] = useState<When>('during')
  const [named, setNamed] = useState<string>()
  const [phase, setPhase] = useState<number>()
  const vessels = useMemo(
    () => standsIn(plan, walkOf(plan, table, lab, readings), step.id, when, phase !== undefined),
    [plan, table, lab, readings, step.id, when, phase],
  )
  const shown = vessels.find(({ name }) => name === named) ?? vessels[0]
  const look = (vessel: string) => {
    setNamed(vessel)
    setPhase(undefined)
  }
  return (
    <section className="what-is-in" aria-label="What is in it">
      <p className="name">What is in it</p>
      <div className="whens" role="group" aria-label="When">
        {whens.map(({ when: each, label }) => (
          <button key={each} type="button" aria-pressed={when === each} onClick={() => setWhen(each)}>
            {label}
          </button>
        ))}
      </div>
      {shown && <OneVessel vessel={shown} opened={phase} onOpen={(at) => setPhase(at === phase ? undefined : at)} />}
      {vessels.length > 1 && (
        <div className="others" role="group" aria-label="Vessels">
          {vessels.map((vessel) => (
            <button
              key={vessel.name}
              type="button"
              aria-pressed={vessel === shown}
              onClick={() => look(vessel.name)}
              title={vesselText(vessel)}
            >
              <VesselPicture vessel={vessel} />
              {vessel.name}
            </button>
          ))}
        </div>
      )}
    </section>
  )
}

function OneVessel({
  vessel,
  opened,
  onOpen,
}: {
  vessel: StandingVessel
  opened: number | undefined
  onOpen: (phase: number) => void
}) {
  const { phases } = vessel
  return (
    <div className="one">
      <VesselPicture vessel={vessel} opened={opened} onOpen={onOpen} />
      <div>
        <p>
          <b>{vesselText(vessel)}</b>
        </p>
        {phases.some(({ holds }) => holds.some(({ certain }) => !certain)) && (
          <p className="doubt">Some of this may already be gone: a step before does not say what becomes of it.</p>
        )}
        <ul>
          {phases
            .map((phase, at) => ({ phase, at }))
            .toReversed()
            .map(({ phase, at }) => (
              <li key={at}>
                <button type="button" className="opens" aria-expanded={opened === at} onClick={() => onOpen(at)}>
                  <i className={`swatch ${phase.kind}`} aria-hidden="true" /> {phaseName(phase, phases)}{' '}
                  <span className="fig">{phaseText(phase)}</span>
                </button>
                {opened === at && (
                  <table className="ruled">
                    <thead className="visually-hidden">
                      <tr>
                        <th scope="col">Substance or ion</th>
                        <th scope="col">Amount</th>
                        <th scope="col">mmol</th>
                        <th scope="col">Where it comes from</th>
                      </tr>
                    </thead>
                    <tbody>
                      {phase.holds.map((each) => (
                        <tr key={`${each.name} ${each.certain}`}>
                          <th scope="row">{each.name}</th>
                          <td className="n fig">{amountText(each)}</td>
                          <td className="n fig">{mmolText(each)}</td>
                          <td>{each.certain ? fromText(each.from) : 'may still be there'}</td>
                        </tr>
                      ))}
                    </tbody>
                  </table>
                )}
              </li>
            ))}
        </ul>
      </div>
    </div>
  )
}
