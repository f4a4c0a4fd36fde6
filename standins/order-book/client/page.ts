type Child = Node | string | null | false
type Props = Record<string, unknown> & { on?: Partial<{ [K in keyof HTMLElementEventMap]: (event: HTMLElementEventMap[K]) => void }> }

/** Makes an element: properties by name, attributes with a dash or unknown to the element as attributes. */
export function el<K extends keyof HTMLElementTagNameMap>(name: K, props: Props = {}, ...children: Child[]): HTMLElementTagNameMap[K] {
  const made = document.createElement(name)
  for (const [key, value] of Object.entries(props)) {
    if (key === 'on') for (const [event, handler] of Object.entries(value as object)) made.addEventListener(event, handler as EventListener)
    else if (value === undefined || value === false || value === null) continue
    else if (key in made && !key.includes('-') && key !== 'list') (made as unknown as Record<string, unknown>)[key] = value
    else made.setAttribute(key, String(value))
  }
  made.append(...children.filter((child): child is Node | string => child !== null && child !== false))
  return made
}

/** What the server refuses, by field. */
export class Wrong extends Error {
  constructor(readonly errors: { field: string; words: string }[]) {
    super(errors.map((error) => error.words).join('. '))
  }
}
export async function ask<T>(method: string, path: string, body?: unknown): Promise<T> {
  const response = await fetch(path, {
    method,
    ...(body === undefined ? {} : { headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) }),
  })
  const answer = (await response.json()) as T & { errors?: { field: string; words: string }[] }
  if (!response.ok) throw new Wrong(answer.errors ?? [{ field: '', words: `The server answered ${response.status}` }])
  return answer
}

/** Which of the two layouts is shown: by the address, kept for the tab. */
export function layout(): 'a' | 'b' {
  const asked = new URLSearchParams(location.search).get('layout')
  if (asked === 'a' || asked === 'b') sessionStorage.setItem('layout', asked)
  return sessionStorage.getItem('layout') === 'b' ? 'b' : 'a'
}

/** Goes to another page without loading the application anew. */
export function go(path: string): void {
  history.pushState(null, '', path)
  window.dispatchEvent(new PopStateEvent('popstate'))
}
export const link = (path: string, words: string, className = ''): HTMLAnchorElement =>
  el(
    'a',
    {
      href: path,
      className,
      on: {
        click: (event) => {
          if (event.ctrlKey || event.metaKey || event.shiftKey) return
          event.preventDefault()
          go(path)
        },
      },
    },
    words,
  )

/** Marks the fields that are wrong and says why beneath them; focus goes to the first. */
export function showWrong(form: HTMLElement, errors: readonly { field: string; words: string }[]): void {
  form.querySelectorAll('.wrong').forEach((each) => each.remove())
  form.querySelectorAll('[aria-invalid]').forEach((each) => each.removeAttribute('aria-invalid'))
  errors.forEach(({ field, words }, index) => {
    const input = form.querySelector<HTMLElement>(`[name="${field}"], [data-field="${field}"]`)
    const id = `wrong-${index}`
    const told = el('p', { className: 'wrong', id, role: 'alert' }, words)
    if (!input) return void form.prepend(told)
    input.setAttribute('aria-invalid', 'true')
    input.setAttribute('aria-describedby', id)
    input.after(told)
    if (index === 0) input.focus()
  })
}

/** Asks for a decision.
 * @returns whether it was confirmed */
export const decide = (title: string, words: string, yes: string): Promise<boolean> =>
  new Promise((resolve) => {
    const dialog = el(
      'dialog',
      { 'aria-label': title },
      el('h2', {}, title),
      el('p', {}, words),
      el(
        'div',
        { className: 'row' },
        el('button', { on: { click: () => dialog.close('no') } }, 'Keep it'),
        el('button', { className: 'strong', on: { click: () => dialog.close('yes') } }, yes),
      ),
    )
    dialog.addEventListener('close', () => {
      dialog.remove()
      resolve(dialog.returnValue === 'yes')
    })
    document.body.append(dialog)
    dialog.showModal()
  })

export const crateWords = { S: 'S (8 pots)', M: 'M (18 pots)', L: 'L (40 pots)' } as const
const DAY = new Intl.DateTimeFormat('en-GB', { weekday: 'short', day: 'numeric', month: 'long', timeZone: 'UTC' })
export const dayWords = (day: string): string => DAY.format(new Date(`${day}T00:00:00Z`))
