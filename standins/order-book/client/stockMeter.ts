/** A small meter with buttons for more and less, drawn in a shadow root. Tells `change` with the new number as its detail. */
class StockMeter extends HTMLElement {
  connectedCallback(): void {
    const root = this.attachShadow({ mode: 'open' })
    const [onHand, low] = [Number(this.getAttribute('on-hand')), Number(this.getAttribute('low'))]
    const style = document.createElement('style')
    style.textContent =
      ':host{display:inline-flex;gap:6px;align-items:center}button{font:700 16px sans-serif;width:34px;height:34px;border:1.5px solid #2f4a3a;background:#fff;border-radius:3px}b{min-width:52px;text-align:right}b.low{color:#9c2b1d}'
    const shown = Object.assign(document.createElement('b'), { textContent: String(onHand), className: onHand < low ? 'low' : '' })
    const button = (words: string, name: string, by: number) => {
      const made = Object.assign(document.createElement('button'), { textContent: words, type: 'button' })
      made.setAttribute('aria-label', `${name} ${this.getAttribute('name') ?? ''}`)
      made.addEventListener('click', () => this.dispatchEvent(new CustomEvent('change', { detail: Math.max(0, onHand + by) })))
      return made
    }
    root.append(style, button('−', 'One less', -1), shown, button('+', 'One more', 1))
  }
}
customElements.define('stock-meter', StockMeter)
