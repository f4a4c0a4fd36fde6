import { createElement as e } from 'react'
import { renderToString } from 'react-dom/server'
import { describe, expect, it } from 'vitest'
import { stillOf } from './stillOf'

describe('a page before its scripts are there', () => {
  it('looks as it did, its links lead on, and nothing else acts or is referred to', () => {
    const { title, html } = stillOf(
      renderToString(
        e(
          'main',
          { id: 'main', className: 'grow', 'data-today': '', style: { paddingLeft: 8 } },
          e('title', null, 'Today – Jackdaw'),
          e('a', { href: '/library', 'aria-label': 'Go', className: 'underline', id: 'go' }, 'Library'),
          e('button', { type: 'button', 'aria-describedby': 'said' }, 'Next'),
          e('input', { name: 'find', defaultValue: 'basil', 'aria-label': 'Find', className: 'w-full', placeholder: 'Part' }),
          e('svg', { width: 16, viewBox: '0 0 24 24', 'aria-hidden': true }, e('path', { d: 'M1 1' })),
        ),
      ),
    )
    expect(title).toBe('Today – Jackdaw')
    expect(html).toBe(
      '<main class="grow" style="padding-left:8px"><a href="/library" aria-label="Go" class="underline">Library</a>' +
        '<button inert type="button">Next</button><input inert aria-label="Find" class="w-full" placeholder="Part" value="basil"/>' +
        '<svg width="16" viewBox="0 0 24 24" aria-hidden="true"><path d="M1 1"></path></svg></main>',
    )
  })

  it('keeps every word, whatever it says', () => {
    const words = 'Set id="7" and <title>x</title> & href="/y" name=\'z\''
    const { title, html } = stillOf(renderToString(e('p', { className: 'a' }, words)))
    expect(title).toBe('')
    expect(html).toBe(renderToString(e('p', { className: 'a' }, words)))
  })
})
