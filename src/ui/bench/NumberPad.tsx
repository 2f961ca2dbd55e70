'use client'

const keys = ['7', '8', '9', '4', '5', '6', '1', '2', '3', '.', '0', '⌫'] as const

/** Large keys for gloved hands; they type into the field above them. */
export function NumberPad({ value, onValue }: { value: string; onValue: (value: string) => void }) {
  return (
    <div className="keys" role="group" aria-label="Number keys">
      {keys.map((key) => (
        <button
          key={key}
          type="button"
          aria-label={key === '⌫' ? 'Delete the last digit' : key === '.' ? 'Point' : key}
          onClick={() => onValue(key === '⌫' ? value.slice(0, -1) : key === '.' && value.includes('.') ? value : value + key)}
        >
          {key}
        </button>
      ))}
    </div>
  )
}
