import { typedFor } from '../../plan/typedFor'
import { writeNumber } from '../../quantity/write'
import { when, type Advice, type Context } from '../planner'
import type { Worked } from './advice'
import { isFirstReceiver } from './receivers'

/** Less than this in the flask at the end is as good as dry, mL. Judgement: the bottom of the flask is still covered. */
export const leastLeftML = (potML: number): number => Math.max(0.5, 0.03 * potML)

/** What to do and to doubt about flask and window, and with steam. */
export function setUpAdvice(at: Worked, context: Context): Advice[] {
  const { plan, wanted, potML, stopML, lowC, highC, volumeML, shows, steam, carried } = at
  const short = carried && carried.inPotML > 0 ? carried.waterML + stopML - carried.inPotML : 0
  return [
    ...(volumeML > (2 / 3) * potML
      ? [
          {
            id: 'full',
            level: 'doubt' as const,
            words: `${writeNumber(volumeML, 0)} mL fill the ${potML} mL flask to ${writeNumber((100 * volumeML) / potML, 0)} %; about half is right.`,
          },
        ]
      : volumeML < potML / 4 && isFirstReceiver(context)
        ? [
            {
              id: 'empty',
              level: 'doubt' as const,
              words: `${writeNumber(volumeML, 0)} mL are little for a ${potML} mL flask: much of it stays behind as vapour. Take a smaller one.`,
            },
          ]
        : []),
    ...when(
      stopML < leastLeftML(potML),
      'dryness',
      'danger',
      `Only ${writeNumber(stopML, 1)} mL are left at the end: never distil to dryness. Leave at least ${writeNumber(leastLeftML(potML), 1)} mL.`,
      'a dry flask overheats, and peroxides gather in what is last',
    ),
    ...when(
      highC - lowC < 3,
      'narrow',
      'doubt',
      `A window of ${writeNumber(highC - lowC, 0)} °C is narrower than thermometers agree.`,
    ),
    ...(shows !== null && (shows < lowC - 0.5 || shows > highC + 0.5)
      ? [
          {
            id: 'window',
            // A fraction between two others is collected on purpose beside where the wanted one boils.
            level:
              plan.mainProduct !== undefined || typedFor(context.step).wantedOf !== undefined
                ? ('doubt' as const)
                : ('open' as const),
            words: `${wanted!.name} will show about ${writeNumber(shows, 1)} °C here, outside ${lowC} to ${highC} °C. Move the window, with the reason.`,
          },
        ]
      : []),
    ...(steam
      ? [
          {
            id: 'steam',
            level: 'open' as const,
            words: `With steam it comes over at ${writeNumber(steam.atC, 1)} °C, ${writeNumber(steam.gPerGWater, 2)} g to the gram of water.`,
            why: 'p(water) + p(organic) = P',
          },
        ]
      : []),
    ...when(
      short > 0.5,
      'steam-water',
      'doubt',
      `${writeNumber(carried?.waterML ?? 0, 0)} mL of water come over with it and ${writeNumber(stopML, 0)} mL stay, but ${writeNumber(carried?.inPotML ?? 0, 0)} mL are in the pot: let ${writeNumber(short, 0)} mL run in from a funnel as it goes, never more than fills the flask.`,
      'the water that distils with it leaves the pot',
    ),
    {
      id: 'set-up',
      level: 'open',
      words:
        'Chips in the cold flask, bulb just below the side arm, joints snug, open at the receiver, water on; one or two drops a second.',
    },
  ]
}
