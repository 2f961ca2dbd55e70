import { effectWords } from '@/core/measurements/ownStep'
import { ownEffects } from '@/core/plan/lists'
import type { Write } from './write'

/** After work that the program does not know, what is in the vessel is unknown until somebody says it. */
export const SayContents = ({ step, write }: { step: string; write: Write }) => (
  <section className="pad" aria-label="What is in the vessel now">
    <h2>What is in the vessel now?</h2>
    <p className="hint">Unknown: the program does not know what this work does. Say it, and the figures after it follow.</p>
    <div className="choice" role="group" aria-label="What this work did">
      {ownEffects.map((effect) => (
        <button key={effect} type="button" onClick={() => write('contents', step, { effect })}>
          {effectWords[effect]}
        </button>
      ))}
    </div>
  </section>
)
