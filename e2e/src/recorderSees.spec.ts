import type { PrivateKind } from '@jackdaw/core/recording'
import type { Browser, Page } from 'puppeteer-core'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { openBrowser } from './app'
import { covered, describedAt, scanned, showing } from './contentParts'

let browser: Browser
let page: Page
beforeAll(async () => {
  browser = await openBrowser()
  page = await browser.newPage()
  await page.setViewport({ width: 1280, height: 800 })
})
afterAll(async () => browser?.close())

describe('an element that is pressed', () => {
  it.each<[what: string, html: string, pressed: string, role: string, name: string]>([
    ['a button by its words', '<button>Save</button>', 'button', 'button', 'Save'],
    ['a button by the words in it, whatever they stand in', '<button><span>Save</span> <b>order</b></button>', 'b', 'button', 'Save order'],
    ['a button with a picture only', '<button aria-label="Print"><svg><path d="M0 0h9v9z"/></svg></button>', 'path', 'button', 'Print'],
    ['a picture as button', '<input type="image" alt="Search" src="data:,">', 'input', 'button', 'Search'],
    ['a picture in a link', '<a href="/"><img alt="Home" src="data:,"></a>', 'img', 'link', 'Home'],
    [
      'a button that is named elsewhere',
      '<p id="n">Remove line 2</p><button aria-labelledby="n">×</button>',
      'button',
      'button',
      'Remove line 2',
    ],
    ['a button whose title is all it has', '<button title="More"><i></i></button>', 'i', 'button', 'More'],
    ['the field of a label around it', '<label>Crates <input type="text"></label>', 'input', 'textbox', 'Crates'],
    ['the field of a label that was pressed', '<label for="f">Crates</label><input id="f" type="text">', 'label', 'textbox', 'Crates'],
    ['a field with a placeholder only', '<input placeholder="Find an order">', 'input', 'textbox', 'Find an order'],
    ['a field for finding', '<label>Find <input type="search"></label>', 'input', 'searchbox', 'Find'],
    ['a field for numbers', '<label>Pallets <input type="number"></label>', 'input', 'spinbutton', 'Pallets'],
    [
      'a field without the complaint in its label',
      '<label>Crates <input><span role="alert">Too many</span></label>',
      'input',
      'textbox',
      'Crates',
    ],
    ['a box to tick', '<label><input type="checkbox"> Chilled</label>', 'label', 'checkbox', 'Chilled'],
    ['one of several', '<label><input type="radio" name="r"> Tuesday</label>', 'input', 'radio', 'Tuesday'],
    ['a list', '<label>Herb <select><option>Sage</option></select></label>', 'select', 'combobox', 'Herb'],
    ['the list of an option', '<label>Herb <select size="3"><option>Sage</option></select></label>', 'option', 'listbox', 'Herb'],
    ['a tab', '<div role="tablist"><div role="tab" tabindex="0">Packed</div></div>', '[role=tab]', 'tab', 'Packed'],
    ['an entry of a menu', '<ul role="menu"><li role="menuitem" tabindex="-1">Cancel order</li></ul>', 'li', 'menuitem', 'Cancel order'],
    ['a summary', '<details><summary>Terms</summary>…</details>', 'summary', 'button', 'Terms'],
    [
      'what is written into, not a paragraph in it',
      '<div contenteditable aria-label="Note"><p>Ring first</p></div>',
      'p',
      'textbox',
      'Note',
    ],
    ['a cell of a grid', '<table role="grid"><tr><td role="gridcell">12 March</td></tr></table>', 'td', 'gridcell', '12 March'],
    ['a heading that sorts', '<table><tr><th aria-sort="none">Customer</th></tr></table>', 'th', 'columnheader', 'Customer'],
    ['something that only looks like a button', '<div style="cursor:pointer;width:90px"><span>Add a line</span></div>', 'span', '', ''],
    ['something with a hand-made press', '<div onclick="void 0">Next day</div>', 'div', '', ''],
  ])('is %s', async (_, html, pressed, role, name) => {
    await showing(page, html)
    const { element } = await describedAt(page, pressed)
    expect([element.role, element.name]).toEqual([role, name])
  })
  it('has the words that are seen, also where it has no name', async () => {
    await showing(page, '<div style="cursor:pointer;width:120px"><span>Add a</span> <b>line</b></div>')
    const { element } = await describedAt(page, 'b')
    expect(element).toMatchObject({ tag: 'div', name: '', text: 'Add a line' })
  })
  it('is described by what stands beside it when it says nothing at all', async () => {
    await showing(page, '<p><span>Silicone grease</span> <button><i style="display:inline-block;width:9px"></i></button></p>')
    expect((await describedAt(page, 'i')).element.nearby).toBe('Silicone grease')
    await showing(page, '<div>Cold store</div><canvas width="200" height="80" style="display:block"></canvas>')
    expect((await describedAt(page, 'canvas')).element.nearby).toBe('Cold store')
  })
  it('says in which row, dialog, group, menu and list it stands, also out of a shadow root', async () => {
    await showing(
      page,
      `<div role="dialog" aria-label="Choose"><fieldset><legend>Herbs</legend><table><tr><th>Sage</th><td><button id="a">More</button></td></tr></table></fieldset></div>
       <nav aria-label="Main"><a href="/x" id="b">Orders</a></nav><div role="listbox" aria-label="Days"><div role="option" id="c">Mon</div></div>
       <table><tr><td>Mint</td><td><x-row></x-row></td></tr></table>`,
    )
    await page.evaluate(() => {
      document.querySelector('x-row')!.attachShadow({ mode: 'open' }).innerHTML = '<button id="d">One more</button>'
    })
    const around = async (id: string) => (await describedAt(page, `#${id}`)).element.around
    expect(await around('a')).toEqual([
      { kind: 'row', name: 'Sage' },
      { kind: 'dialog', name: 'Choose' },
      { kind: 'group', name: 'Herbs' },
    ])
    expect(await around('b')).toEqual([{ kind: 'menu', name: 'Main' }])
    expect(await around('c')).toEqual([{ kind: 'list', name: 'Days' }])
    expect(await around('d')).toEqual([{ kind: 'row', name: 'Mint' }])
    expect((await describedAt(page, '#d')).element.inShadow).toBe(true)
  })
  it('says whether it sends a form, and what it opens', async () => {
    await showing(
      page,
      '<form><button id="a">Go</button><button id="b" type="button">No</button></form><button id="c" aria-haspopup="menu">More</button>',
    )
    expect((await describedAt(page, '#a')).element.submits).toBe(true)
    expect((await describedAt(page, '#b')).element.submits).toBeUndefined()
    expect((await describedAt(page, '#c')).element).toMatchObject({ opens: 'menu' })
  })
  it('keeps private words out of its name, text, surroundings and locators', async () => {
    await showing(
      page,
      '<table><tr><th>Anna Reed</th><td><a href="/c/7" title="anna@reed.example" id="x">Write to anna@reed.example</a></td></tr></table>',
    )
    const { element } = await describedAt(page, '#x', ['mail', 'person'], ['Anna Reed'])
    expect(JSON.stringify(element)).not.toMatch(/anna|reed/i)
    expect(element.hid).toEqual(expect.arrayContaining(['mail', 'person']))
    expect(element.locators.map((each) => each.kind)).toContain('href')
  })
  it('is a secret field for as long as the page lives, once it was one', async () => {
    await showing(page, '<label>Password <input id="p" type="password" value="hunter"></label>')
    expect((await describedAt(page, '#p')).element.role).toBe('password')
    await page.evaluate(() => document.querySelector('input')!.setAttribute('type', 'text'))
    const { element } = await describedAt(page, '#p')
    expect(element.role).toBe('password')
    expect(JSON.stringify(element)).not.toContain('hunter')
  })
})

describe('ways to find an element again', () => {
  const ROWS = `<table>${['Sage', 'Mint', 'Thyme'].map((herb) => `<tr><th>${herb}</th><td><button>More</button></td></tr>`).join('')}</table>`
  it('come best first, and say the truth about being the only one', async () => {
    await showing(
      page,
      `<form><label>Crates <input name="crates" id="crates" placeholder="0" data-testid="crates"></label><label>Crates <input name="more"></label></form>`,
    )
    const { element, hits } = await describedAt(page, '#crates')
    const weights = element.locators.map((each) => each.weight)
    expect(element.locators[0]).toEqual({ kind: 'test-id', value: 'data-testid=crates', weight: 1, unique: true })
    expect(element.locators.find((each) => each.kind === 'role-name')).toMatchObject({ value: 'textbox "Crates"', unique: false })
    for (const { kind, unique } of element.locators) if (hits[kind] !== undefined) expect([kind, unique]).toEqual([kind, hits[kind] === 1])
    expect(Math.max(...weights)).toBe(weights[0])
  })
  it('name the row where a table has the same button in each', async () => {
    await showing(page, ROWS)
    const { element } = await describedAt(page, 'tr:nth-child(2) button')
    expect(element.locators.find((each) => each.kind === 'role-name')?.unique).toBe(false)
    expect(element.locators[0]).toEqual({ kind: 'role-name-context', value: 'button "More" in "Mint"', weight: 0.9, unique: true })
  })
  it.each([':r3:', 'ember1042', 'react-select-2-input', 'a3f9c2d1', 'field-20260310', 'radix-12'])(
    'do not lean on an id that a program made up: %s',
    async (id) => {
      await showing(page, `<button id="${id}">Save</button>`)
      const { element } = await describedAt(page, 'button')
      expect(element.locators.map((each) => each.kind)).not.toContain('id')
      expect(JSON.stringify(element.locators)).not.toContain(id)
    },
  )
  it.each(['save', 'order-form', 'customer_name'])('lean on an id that somebody gave: %s', async (id) => {
    await showing(page, `<button id="${id}">Save</button>`)
    expect((await describedAt(page, 'button')).element.locators[0]).toEqual({ kind: 'id', value: id, weight: 0.9, unique: true })
  })
  it('hold no query of an address, and no script', async () => {
    await showing(page, '<a id="a" href="/orders/7?token=abc">Order 7</a><a id="b" href="javascript:void(0)">Do it</a>')
    expect((await describedAt(page, '#a')).element.locators.find((each) => each.kind === 'href')).toMatchObject({ value: '/orders/7' })
    expect((await describedAt(page, '#b')).element.locators.map((each) => each.kind)).not.toContain('href')
  })
  it('survive odd names: quotes, brackets, colons, other scripts', async () => {
    for (const name of ['Say "hello"', 'a]b[c', 'x:y.z#w', 'Zażółć gęślą', 'احفظ', '\\']) {
      await showing(page, '<button></button>')
      await page.evaluate((words) => {
        const button = document.querySelector('button')!
        button.textContent = words
        button.setAttribute('data-testid', words)
        button.setAttribute('name', words)
        button.id = words
      }, name)
      const { element } = await describedAt(page, 'button')
      expect(element.name).toBe(name)
      for (const kind of ['test-id', 'name-attribute'])
        expect([name, kind, element.locators.find((each) => each.kind === kind)?.unique]).toEqual([name, kind, true])
    }
  })
})

describe('what is filled in', () => {
  const ALL: PrivateKind[] = ['mail', 'phone', 'account', 'person']
  const people = { names: ['Anna Reed', 'Reed Anna'] }
  it.each<[what: string, html: string, words: string]>([
    ['a mail address in a line', '<p id="x">Write to anna@reed.example today</p>', 'anna@reed.example'],
    ['one that is cut by other elements', '<p id="x">Write to <b>anna</b>@<i>reed</i>.example today</p>', 'anna@reed.example'],
    ['a name in a line', '<p id="x">Ask Anna Reed first</p>', 'Anna Reed'],
    ['a name cut by other elements', '<p id="x">Ask <b>Anna</b> <i>Reed</i> first</p>', 'Anna Reed'],
    ['a telephone number', '<p id="x">Ring +44 1632 960127 now</p>', '+44 1632 960127'],
    ['a card', '<p id="x">Card 4539 1488 0343 6467.</p>', '4539 1488 0343 6467'],
    ['an account', '<p id="x">To GB33 BUKB 2020 1555 5555 55.</p>', 'GB33 BUKB 2020 1555 5555 55'],
    ['what a drawing says', '<svg id="x" width="400" height="40"><text x="5" y="25">anna@reed.example</text></svg>', 'anna@reed.example'],
    ['a long one that goes over two lines', '<p id="x" style="width:150px">Ring +44 1632 960127 now</p>', '+44 1632 960127'],
  ])('is %s', async (_, html, words) => {
    await showing(page, html)
    const { areas, lines } = await scanned(page, ALL, people)
    expect(await covered(page, areas, '#x', words)).toBeGreaterThan(0.97)
    expect(lines.join(' ')).not.toContain(words)
  })
  it('is a name whose parts stand on two lines', async () => {
    await showing(page, '<p id="x">Anna<br>Reed</p><p id="y">Free<br>words</p>')
    const { areas, lines } = await scanned(page, ALL, people)
    expect(await covered(page, areas, '#x', 'AnnaReed')).toBeGreaterThan(0.97)
    expect(lines).toContain('Free words')
  })
  it('is what a field holds, a list has chosen and a button is called', async () => {
    await showing(
      page,
      `<input id="a" value="anna@reed.example"><textarea id="b">Anna Reed</textarea><select id="c"><option>Sage</option><option selected>Anna Reed</option></select>
       <input type="button" id="d" value="Anna Reed"><input id="e" value="12 crates"><input id="f" type="checkbox" value="anna@reed.example"><input id="g" placeholder="anna@reed.example">`,
    )
    const { areas } = await scanned(page, ALL, people)
    for (const id of ['a', 'b', 'c', 'd', 'g']) expect([id, (await covered(page, areas, `#${id}`)) > 0.9]).toEqual([id, true])
    for (const id of ['e', 'f']) expect([id, await covered(page, areas, `#${id}`)]).toEqual([id, 0])
  })
  it('is every value when values are hidden, but no empty field and no button', async () => {
    await showing(
      page,
      '<input id="a" value="12"><input id="b" value=""><input id="c" type="button" value="Save"><select id="d"><option>Sage</option></select>',
    )
    const { areas } = await scanned(page, ['value'])
    for (const [id, share] of [
      ['a', 1],
      ['b', 0],
      ['c', 0],
      ['d', 1],
    ] as const)
      expect([id, Math.round(await covered(page, areas, `#${id}`))]).toEqual([id, share])
  })
  it.each([
    ['<input id="x" type="password" value="hunter">'],
    ['<input id="x" autocomplete="one-time-code" value="123456">'],
    ['<input id="x" autocomplete="cc-number" value="1">'],
    ['<input id="x" style="-webkit-text-security:disc" value="hunter">'],
  ])('is a secret whatever the switches say: %s', async (html) => {
    await showing(page, html)
    const { areas } = await scanned(page, [])
    expect(await covered(page, areas, '#x')).toBeGreaterThan(0.97)
  })
  it.each<[html: string, is: boolean]>([
    ['<img id="x" class="avatar" src="data:," width="40" height="40">', true],
    ['<img id="x" alt="Photo of the night shift" src="data:," width="40" height="40">', true],
    ['<img id="x" alt="Anna Reed" src="data:," width="40" height="40">', true],
    ['<div id="x" role="img" aria-label="Profile picture" style="width:40px;height:40px"></div>', true],
    ['<span id="x" class="avatar" style="display:inline-block;width:40px;height:40px">AR</span>', true],
    ['<div itemscope itemtype="https://schema.org/Person"><img id="x" src="data:," width="40" height="40"></div>', true],
    ['<img id="x" alt="A crate of basil" src="data:," width="40" height="40">', false],
    ['<span id="x" class="user-avatar--large" style="display:inline-block;width:40px;height:40px">AR</span>', true],
    ['<div id="x" class="avatar-settings" style="width:40px;height:40px">Settings</div>', false],
  ])('are pictures of people: %s is %s', async (html, is) => {
    await showing(page, html)
    const { areas } = await scanned(page, ['portrait'], people)
    expect((await covered(page, areas, '#x')) > 0.9).toBe(is)
  })
  it('is what was pointed at, wherever it matches, and a selector of another page hides nothing', async () => {
    await showing(page, '<p class="s" id="x">One</p><p class="s" id="y">Two</p><p id="z">Three</p>')
    const { areas } = await scanned(page, [], { pointed: ['.s', '#gone', '<<<'] })
    for (const [id, share] of [
      ['x', 1],
      ['y', 1],
      ['z', 0],
    ] as const)
      expect([id, Math.round(await covered(page, areas, `#${id}`))]).toEqual([id, share])
  })
  it('is found in open shadow roots, slots and rows of a table, and not what nobody sees', async () => {
    await showing(
      page,
      `<x-card><span slot="who">anna@reed.example</span></x-card><table><tr><td id="cell">anna@reed.example</td></tr></table>
       <p id="gone" style="display:none">anna@reed.example</p><p id="clear" style="opacity:0">anna@reed.example</p><details><summary>More</summary><p>anna@reed.example</p></details>`,
    )
    await page.evaluate(() => {
      document.querySelector('x-card')!.attachShadow({ mode: 'open' }).innerHTML = '<p>Mail: bob@reed.example</p><slot name="who"></slot>'
    })
    const { areas, lines } = await scanned(page, ALL)
    expect(areas).toHaveLength(3)
    expect(await covered(page, areas, '#cell', 'anna@reed.example')).toBeGreaterThan(0.97)
    expect(await covered(page, areas, 'x-card span')).toBeGreaterThan(0.97)
    expect(lines).toContain('More')
    expect(lines.some((line) => line.startsWith('Mail:'))).toBe(true)
  })
})
