/** Where a job stands along the order of work, as a short rule with its pointer. */
export function StepTrack({ done, of, label }: { readonly done: number; readonly of: number; readonly label: string }) {
  const width = 78
  const at = (width * done) / of
  return (
    <svg width={width} height={14} viewBox={`0 0 ${width} 14`} role="img" aria-label={label}>
      <rect x={0.5} y={0.5} width={width - 1} height={12} fill="var(--band-track)" stroke="var(--edge)" />
      <rect x={0.5} y={0.5} width={Math.max(0, at)} height={12} fill="var(--steel-2)" stroke="var(--edge)" />
      {Array.from({ length: of - 1 }, (_, index) => index + 1).map((step) => (
        <path key={step} d={`M${(width * step) / of} 1v3`} stroke="var(--steel-ink)" />
      ))}
      <path d={`M${Math.min(width - 5, Math.max(5, at))} 5l4 7h-8z`} fill="var(--blue)" />
    </svg>
  )
}
