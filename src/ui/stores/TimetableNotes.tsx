'use client'

import { Fragment } from 'react'
import type { Step } from '@/core/plan/plan'
import { operationIn } from '@/core/operations/registry'
import { stepMinutes } from '@/core/timetable/stepMinutes'
import type { LoggedClasses } from '@/core/timetable/logged'
import { pieceMin } from '@/core/timetable/simulate'
import type { Offer, Outlook } from '@/core/timetable/outlook'
import type { Told } from '@/core/timetable/settle'
import type { Day } from '@/core/stores/toldDay'
import { sentence } from '@/core/words/sentence'

interface Props {
  found: Outlook | undefined
  laid: Day
  steps: readonly Step[]
  titles: Readonly<Record<string, string>>
  stations: readonly { name: string; count: number | null }[]
  logged: LoggedClasses & { classes: number }
  clock: (minutes: number) => string
  closesMin: number
  groups: readonly { bench: number }[]
  onTell: ((told: readonly Told[]) => void) | undefined
}

const percent = (share: number) => `${Math.round(100 * share)} %`

/** What speaks beside the timetable: what holds the class up, what else could be told, when the heat must be on, where one can stop, and where the minutes come from. */
export function TimetableNotes(props: Props) {
  const { found, stations } = props
  const unsaid = stations.filter(({ count }) => count === null)
  return (
    <aside className="margin timetable-notes" aria-label="About the timetable">
      {unsaid.length > 0 && (
        <section>
          <h2 className="doubt">How many are there?</h2>
          <p>
            Nobody has said it of {unsaid.map(({ name }) => name).join(', ')}. It is counted as if nobody waited there. Say it
            above for today, or at the laboratory for good.
          </p>
        </section>
      )}
      {found && <Bottleneck {...props} found={found} />}
      {found && found.offers.length > 0 && <Offers {...props} offers={found.offers} found={found} />}
      {found && <Heat {...props} found={found} />}
      {found && <Stops {...props} found={found} />}
      <Minutes {...props} />
    </aside>
  )
}

function Bottleneck({ found, laid, clock, closesMin }: Props & { found: Outlook }) {
  const { simulated, bound } = found
  const most = simulated.stations.reduce(
    (best, each, index) => (each.queuedMin > simulated.stations[best]!.queuedMin ? index : best),
    0,
  )
  const worst = simulated.stations[most]
  if (!worst || worst.queuedMin < 1) {
    return (
      <section>
        <h2>Nobody waits long</h2>
        <p>
          {'group' in bound.by
            ? `The work of one group takes until ${clock(bound.minutes)} by itself: no apparatus shortens it.`
            : `What must pass the ${laid.stations[bound.by.station]!.name} takes until ${clock(bound.minutes)}.`}
        </p>
      </section>
    )
  }
  const longest = Math.max(...simulated.stations.flatMap(({ queue }) => queue))
  const from = worst.queue.findIndex((each) => each > 0.5)
  return (
    <section>
      <h2>The {laid.stations[most]!.name} holds the class up</h2>
      <p>
        {from >= 0 && `There is a queue from about ${clock(from * pieceMin)}, `}of up to {Math.max(...worst.queue).toFixed(1)}{' '}
        groups; all together stand there for {Math.round(worst.queuedMin)} min, and it is in use for {percent(worst.busy)} of the
        session.
      </p>
      {simulated.stations.map(
        ({ queue, queuedMin }, station) =>
          queuedMin >= 1 && <Queue key={station} name={laid.stations[station]!.name} {...{ queue, longest, clock, closesMin }} />,
      )}
      {found.more.map(({ station, allDone, lastMin }) => (
        <p key={station}>
          One more {laid.stations[station]!.name}: usually done at {clock(lastMin)}, all in time in {percent(allDone)} of the
          classes.
        </p>
      ))}
      {found.more.length === 0 && <p>One more of anything would bring next to nothing.</p>}
      {closesMin < bound.minutes && (
        <p className="late">Whoever goes first, with these minutes it cannot end before {clock(bound.minutes)}.</p>
      )}
    </section>
  )
}

/** How many stand in the queue of a station, by the clock. */
function Queue({
  name,
  queue,
  longest,
  clock,
  closesMin,
}: { name: string; queue: readonly number[]; longest: number } & Pick<Props, 'clock' | 'closesMin'>) {
  const words = queue.flatMap((each, index) => (index % 6 === 0 ? [`${clock(index * pieceMin)} ${each.toFixed(1)}`] : []))
  return (
    <>
      <p className="queue-of">
        queue at the {name}, up to {Math.max(...queue).toFixed(1)}
      </p>
      <div className="queue-bars" role="img" aria-label={`Groups in the queue of the ${name}, by the clock: ${words.join(', ')}`}>
        {queue.map((each, index) => (
          <span
            key={index}
            style={{ height: `${Math.round((36 * each) / Math.max(1, longest))}px` }}
            title={`${each.toFixed(1)} groups at ${clock(index * pieceMin)}`}
          />
        ))}
      </div>
      <div className="queue-clock">
        <span>{clock(0)}</span>
        <span>{clock(closesMin)}</span>
      </div>
    </>
  )
}

const heads: Record<Offer['free'], string> = {
  starts: 'Staggered starts',
  orders: 'Another order',
  both: 'Starts and orders together',
}

function Offers({ offers, laid, clock, groups, titles, onTell, found }: Props & { offers: readonly Offer[]; found: Outlook }) {
  return (
    <section>
      <h2>What else could be told</h2>
      {offers.map((offer) => (
        <p key={offer.free}>
          <b>{heads[offer.free]}:</b> {offerWords(offer, laid, groups, titles, clock)}. Ends {clock(offer.lastMin)},{' '}
          {Math.round(offer.queuedMin)} min in queues, all in time in {percent(offer.allDone)}.{' '}
          {onTell && (
            <button type="button" className="do no-print" onClick={() => onTell(offer.told)}>
              Tell the groups so
            </button>
          )}
        </p>
      ))}
      <p className="quiet">The best timetable that was found, whoever goes first, ends {clock(found.bestMin)}.</p>
    </section>
  )
}

function offerWords(offer: Offer, laid: Day, groups: Props['groups'], titles: Props['titles'], clock: Props['clock']): string {
  const moved = laid.orders.flatMap((order, index) => {
    const own = offer.told.flatMap((each, group) =>
      each.order === index && order.moved.length > 0 ? [groups[group]!.bench] : [],
    )
    return own.length === 0
      ? []
      : [
          `${benches(own)} do ${order.moved.map(({ step, during }) => `“${titles[step]}” while “${titles[during]}” waits`).join(' and ')}`,
        ]
  })
  const late = [...new Set(offer.told.map(({ startMin }) => startMin))].filter((start) => start > 0).toSorted((a, b) => a - b)
  const starts = late.map(
    (start) =>
      `at ${clock(start)} ${benches(offer.told.flatMap((each, group) => (each.startMin === start ? [groups[group]!.bench] : [])))}`,
  )
  if (starts.length > 0) starts[0] = `begin ${starts[0]}`
  return [...moved, starts.join(', ')].filter(Boolean).join('; ') || 'all as they are'
}

const benches = (numbers: readonly number[]) => `${numbers.length === 1 ? 'bench' : 'benches'} ${numbers.join(', ')}`

function Heat({ found, steps, titles, clock, closesMin }: Props & { found: Outlook }) {
  const heated = steps.filter((step) => operationIn(step)?.heats && found.simulated.steps[step.id])
  if (heated.length === 0) return null
  return (
    <section>
      <h2>Last moment for the heat</h2>
      {heated.map(({ id }) => {
        const last = closesMin - found.simulated.steps[id]!.toEndMin
        return (
          <p key={id}>
            <b>{titles[id]}:</b>{' '}
            {last >= 0
              ? `${clock(last)}. In nine classes of ten every group that begins by then is done in time.`
              : 'too late from the beginning: in more than one class of ten, what follows takes a group longer than the session.'}
          </p>
        )
      })}
    </section>
  )
}

function Stops({ found, steps, titles }: Props & { found: Outlook }) {
  const safe = steps.filter((step) => step.safeStop || step.kind === 'pause')
  return (
    <section>
      <h2>Where the day can part</h2>
      {safe.length === 0 && <p>The plan names no step after which one can stop.</p>}
      {safe.map((step) => (
        <p key={step.id}>
          After “{titles[step.id]}”: all groups are there by the end in {percent(found.simulated.steps[step.id]?.allPast ?? 0)} of
          the classes. {step.safeStop && sentence(step.safeStop.meanwhile)}
        </p>
      ))}
    </section>
  )
}

function Minutes({ steps, titles, logged }: Props) {
  const from = steps.map((step) => ({ step, minutes: stepMinutes(step, logged.steps[step.id]) }))
  const count = (kind: string) => from.filter(({ minutes }) => minutes.from === kind).length
  return (
    <section>
      <h2>Where the minutes come from</h2>
      <p>
        {logged.classes > 0
          ? `${count('log')} steps from ${logged.groups} groups of ${logged.classes} earlier ${logged.classes === 1 ? 'class' : 'classes'}, ${count('plan')} from spans in the plan, ${count('assumed')} from its usual minutes with an assumed span.`
          : `The preparation has not been run here: ${count('plan')} steps have a span in the plan, of ${count('assumed')} only the usual minutes are known, and 0.7 to 1.6 times as much is assumed.`}
      </p>
      <details>
        <summary>Step by step</summary>
        <table className="minutes">
          <thead>
            <tr>
              <th scope="col">step</th>
              <th scope="col">planned</th>
              <th scope="col">taken</th>
            </tr>
          </thead>
          <tbody>
            {from.map(({ step }) => {
              const log = logged.steps[step.id]
              return (
                <Fragment key={step.id}>
                  <tr>
                    <th scope="row">{titles[step.id]}</th>
                    <td className="fig">{step.handsOnMin + step.waitMin} min</td>
                    <td className="fig">
                      {log ? `${Math.round(log.median)} min, ${Math.round(log.least)} to ${Math.round(log.most)}` : '–'}
                      {log && log.stopped > 0 && <small> {log.stopped} stopped in it</small>}
                    </td>
                  </tr>
                </Fragment>
              )
            })}
          </tbody>
        </table>
      </details>
    </section>
  )
}
