import { useContext } from 'react'
import { PreparedHere } from './Prepared'

/** Vials that were weighed at the stores: what was on their label then is taken as the reading of the empty one, with its cap as it was. */
export function Vials({ decimals, onTake }: { decimals: number; onTake: (massG: string, capped: boolean) => void }) {
  const { vials } = useContext(PreparedHere)
  if (vials.length === 0) return null
  return (
    <div className="choice vials" role="group" aria-label="Vials weighed at the stores">
      {vials.map(({ name, massG, decimals: shown, capped }) => (
        <button key={name} type="button" onClick={() => onTake(massG.toFixed(Math.min(shown, decimals)), capped)}>
          Vial {name}: {massG.toFixed(shown)} g, {capped ? 'with cap' : 'without cap'}
        </button>
      ))}
    </div>
  )
}
