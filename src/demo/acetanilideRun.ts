import { InventedLog } from './log'

/** What one invented group did with the acetanilide preparation. */
export interface Story {
  anilineG: number
  anhydrideML: number
  zincG: number
  crudeG: number
  waterML: number
  /** Net masses while drying, in order. */
  dryingG: number[]
  meltingC: [number, number]
  /** A first reading of the full vial that was struck and rewritten. */
  slip?: { valueG: number; reason: string }
  /** The group went on before two weighings agreed. */
  impatient?: boolean
  /** Minutes behind the others. */
  lateMin: number
}

const vialG = 23.418
const glassG = 31.2

/** Writes a whole run of acetanilide, from the safety sheet to the clean-up, or until the minute where the story stops. */
export function acetanilideRun(log: InventedLog, story: Story, demonstrator: string, stopAtMin = Infinity): void {
  const { lateMin: late } = story
  const steps: [number, () => void][] = [
    [4, () => log.done(4 + late, 'safety')],
    [13, () => log.done(13 + late, 'set-up')],
    [
      22,
      () => {
        const full = Number((vialG + story.anilineG).toFixed(3))
        const weighing = { method: 'difference' as const, closure: 'with cap' as const }
        const wrong =
          story.slip &&
          log.reading(18 + late, 'charge-aniline', { slot: 'full', value: story.slip.valueG, unit: 'g', decimals: 3, weighing })
        const first = log.reading(
          19 + late,
          'charge-aniline',
          { slot: 'full', value: full, unit: 'g', decimals: 3, weighing },
          wrong ? { supersedes: wrong.id, reason: story.slip!.reason } : {},
        )
        const second = log.reading(22 + late, 'charge-aniline', { slot: 'empty', value: vialG, unit: 'g', decimals: 3, weighing })
        log.sign(24 + late, 'charge-aniline', demonstrator, [first, second])
      },
    ],
    [25, () => log.done(25 + late, 'charge-acid')],
    [28, () => log.tared(28 + late, 'charge-zinc', story.zincG, 2)],
    [35, () => log.reading(35 + late, 'charge-anhydride', { slot: 'volume', value: story.anhydrideML, unit: 'mL', decimals: 2 })],
    [38, () => log.press(38 + late, 'reflux', 'heat-on')],
    [46, () => log.press(46 + late, 'reflux', 'onset')],
    [67, () => log.press(67 + late, 'reflux', 'heat-off')],
    [73, () => log.done(73 + late, 'pour')],
    [74, () => log.press(74 + late, 'cool', 'start')],
    [85, () => log.done(85 + late, 'cool')],
    [94, () => log.done(94 + late, 'filter')],
    [97, () => log.tared(97 + late, 'weigh-crude', story.crudeG, 2)],
    [
      116,
      () => {
        log.reading(112 + late, 'crystallise', { slot: 'volume', value: story.waterML, unit: 'mL', decimals: 0 })
        log.done(129 + late, 'crystallise')
      },
    ],
    [
      141,
      () => {
        log.press(130 + late, 'cool-crystals', 'start')
        log.done(141 + late, 'cool-crystals')
      },
    ],
    [150, () => log.done(150 + late, 'filter-crystals')],
    [
      182,
      () => {
        const empty = log.reading(152 + late, 'dry', { slot: 'empty', value: glassG, unit: 'g', decimals: 2 })
        const weighings = story.dryingG.map((netG, index) =>
          log.reading(162 + index * 11 + late, 'dry', {
            slot: 'full',
            value: Number((glassG + netG).toFixed(2)),
            unit: 'g',
            decimals: 2,
            ...(netG > 5.9 ? { asked: 'More than theory. Is it dry, and was the container tared?' } : {}),
          }),
        )
        if (story.impatient) log.done(186 + late, 'dry')
        log.sign(190 + late, 'dry', demonstrator, [empty, ...weighings])
      },
    ],
    [198, () => log.add(198 + late, 'melt', 'melting', { onsetC: story.meltingC[0], clearC: story.meltingC[1], decimals: 1 })],
    [205, () => log.done(205 + late, 'dispose')],
  ]
  for (const [minute, write] of steps) if (minute + late <= stopAtMin) write()
}
