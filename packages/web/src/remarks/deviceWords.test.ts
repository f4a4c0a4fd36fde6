import { expect, it } from 'vitest'
import { deviceWords } from './deviceWords'

it.each([
  ['Mozilla/5.0 (Linux; Android 14) AppleWebKit/537.36 Chrome/126.0 Mobile Safari/537.36', 'Chrome on Android, 390 × 844'],
  ['Mozilla/5.0 (iPhone; CPU iPhone OS 17_5 like Mac OS X) Version/17.5 Mobile Safari/604.1', 'Safari on iOS, 390 × 844'],
  ['Mozilla/5.0 (Windows NT 10.0) Chrome/126.0 Safari/537.36 Edg/126.0', 'Edge on Windows, 390 × 844'],
  ['something else', 'A browser on another system, 390 × 844'],
])('says in words what somebody reads on: %s', (userAgent, words) => expect(deviceWords(userAgent, 390, 844)).toBe(words))
