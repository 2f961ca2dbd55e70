import type { Quantity } from '../outcome'
import { appearance } from './appearance'
import { boilingRange } from './boilingRange'
import { correctedForPurity } from './correctedForPurity'
import { massBalance } from './massBalance'
import { meltingRange } from './meltingRange'
import { purityOf } from './purityOf'
import { recovery } from './recovery'
import { refractiveIndex } from './refractiveIndex'
import { spectrumOf } from './spectrumOf'
import { strengthFound } from './strengthFound'
import { testOutcome } from './testOutcome'
import { yieldOf } from './yieldOf'

/** Every kind of result, in the order in which they are read. */
export const quantities: readonly Quantity[] = [
  yieldOf,
  recovery,
  appearance,
  meltingRange,
  boilingRange,
  refractiveIndex,
  purityOf,
  correctedForPurity,
  spectrumOf,
  testOutcome,
  strengthFound,
  massBalance,
]
