// Loaded before a server, it sets that server's clock ahead by CLOCK_AHEAD_MS, so that a test can go on some days later.
const aheadMs = Number(process.env['CLOCK_AHEAD_MS'] ?? 0)
const Present = Date
globalThis.Date = class extends Present {
  constructor(...given) {
    if (given.length === 0) super(Present.now() + aheadMs)
    else super(...given)
  }
  static now() {
    return Present.now() + aheadMs
  }
}
