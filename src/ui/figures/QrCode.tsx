import QRCode from 'qrcode'

/** A text as a square of modules, drawn as one path, so that it prints sharp at any size. */
export function QrCode({ text, label }: { text: string; label: string }) {
  const { modules } = QRCode.create(text, { errorCorrectionLevel: 'M' })
  const cells = Array.from({ length: modules.size * modules.size }, (_, at) => at).filter((at) => modules.data[at])
  const path = cells.map((at) => `M${at % modules.size} ${Math.floor(at / modules.size)}h1v1h-1z`).join('')
  return (
    <svg
      className="qr"
      role="img"
      aria-label={label}
      viewBox={`-4 -4 ${modules.size + 8} ${modules.size + 8}`}
      shapeRendering="crispEdges"
    >
      <rect x={-4} y={-4} width={modules.size + 8} height={modules.size + 8} className="qr-ground" />
      <path d={path} />
    </svg>
  )
}
