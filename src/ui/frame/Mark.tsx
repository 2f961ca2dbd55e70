/** The program's mark: two mole bars and the limit through both. */
export function Mark() {
  return (
    <svg width="26" height="22" aria-hidden="true">
      <rect x="0" y="4" width="17" height="5" fill="#eaf1f0" />
      <rect x="0" y="13" width="25" height="5" fill="#8fa9a8" />
      <rect x="16" y="0" width="2" height="22" fill="#e8a24a" />
    </svg>
  )
}
