/** Seconds as a player tells them: `0:07`, `12:34`, `1:02:03`. */
export function clockTime(seconds: number): string {
  const whole = Math.max(0, Math.floor(seconds))
  const two = (value: number) => String(value).padStart(2, '0')
  const [hours, minutes] = [Math.floor(whole / 3_600), Math.floor(whole / 60) % 60]
  return hours > 0 ? `${hours}:${two(minutes)}:${two(whole % 60)}` : `${minutes}:${two(whole % 60)}`
}
