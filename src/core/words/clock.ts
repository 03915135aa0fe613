/** A span of time as a clock shows it: 1:02:09 or 4:05. */
export function clockText(ms: number): string {
  const seconds = Math.ceil(ms / 1000)
  const [hours, minutes, rest] = [Math.floor(seconds / 3600), Math.floor((seconds % 3600) / 60), seconds % 60]
  const two = (value: number): string => String(value).padStart(2, '0')
  return hours > 0 ? `${hours}:${two(minutes)}:${two(rest)}` : `${minutes}:${two(rest)}`
}
