import { darkened, SIGN_NAMES } from '../../annotations'
import { stepName, type Caution, type CautionLevel, type SignId, type Step } from '../../guides'
import { figureOf, figuresOf, type Figure, type FigurePart } from '../figures/figure'
import { figureSvg, partsShown, signSvg } from '../figures/figureSvg'
import { itemsOf, type Handout, type HandoutGuide, type Say } from '../handout'
import { headFacts } from '../headFacts'
import { onwardToWords, onwardWords, quizWords, skippedWords } from '../onwardWords'
import { blocksHtml, escapeHtml } from '../text/blocksHtml'
import { PAGE_SCRIPT, PAGE_STYLE } from './pageStyle'

/** Width at which pictures of the page are read, in pixels. */
const SHOWN_PX = 760
/** The pictures of the steps of a guide, by the step and the place among its pictures. */
export type FiguresOfGuide = ReadonlyMap<string, Figure>
const keyOf = (step: Pick<Step, 'id'>, index: number): string => `${step.id} ${index}`

/** All pictures of what is put out of a guide, with what is drawn on them. */
export function figuresInGuide(guide: HandoutGuide, t: Say): FiguresOfGuide {
  const figures = figuresOf(guide)
  return new Map(
    itemsOf(guide).flatMap((item) =>
      item.kind !== 'step'
        ? []
        : item.pictures.flatMap((picture, index) => {
            const figure = figureOf(picture, { step: item, n: item.n ?? 0, figures, t }, () => SHOWN_PX)
            return figure ? [[keyOf(item, index), figure] as const] : []
          }),
    ),
  )
}
/** Every part of a stored picture that the figures show. */
export const partsOfFigures = (figures: FiguresOfGuide): FigurePart[] => [...figures.values()].flatMap(partsShown)

const PANELS: Readonly<Record<CautionLevel, { panel: string; ink: string; word: string }>> = {
  danger: { panel: '#c8102e', ink: '#ffffff', word: 'Danger' },
  warning: { panel: '#ff8200', ink: '#000000', word: 'Warning' },
  caution: { panel: '#ffd100', ink: '#000000', word: 'Caution' },
  note: { panel: '#0b5394', ink: '#ffffff', word: 'Note' },
}
const cautionHtml = ({ level, words }: Caution, t: Say): string => {
  const { panel, ink, word } = PANELS[level]
  const alert = level === 'note' ? '' : '⚠ '
  return `<div class="caution" style="border-color:${panel}"><b style="background:${panel};color:${ink}">${alert}${escapeHtml(t(word).toLocaleUpperCase())}</b><p>${escapeHtml(words)}</p></div>`
}
const signsHtml = (ids: readonly SignId[], t: Say): string =>
  ids.length === 0
    ? ''
    : `<ul class="signs">${ids.map((id) => `<li>${signSvg(id, 44)}<span>${escapeHtml(t(SIGN_NAMES[id]))}</span></li>`).join('')}</ul>`

/** What writing a guide needs: where its pictures are, and how deep its headings lie. */
type Setting = {
  guide: HandoutGuide
  figures: FiguresOfGuide
  sourceOf: (part: FigurePart) => string | null
  home: string
  t: Say
  level: 2 | 3
}

function figureHtml(figure: Figure, { sourceOf }: Setting): string {
  const svg = figureSvg(
    figure,
    { sourceOf },
    `role="img" aria-label="${escapeHtml(figure.alt)}" style="max-width:${Math.ceil(figure.ground.shown.width)}px"`,
  )
  const { listed } = figure.drawing
  const list =
    listed.length === 0
      ? ''
      : `<figcaption><ol>${listed.map(({ mark, words }) => `<li><b>${mark}</b> ${escapeHtml(words)}</li>`).join('')}</ol></figcaption>`
  return `<figure>${svg}${list}</figure>`
}

function waysHtml(step: Step, { guide, t }: Setting): string {
  const onward = onwardWords(step, guide, t)
  const skipped = skippedWords(step, guide, t)
  const skip = skipped === '' ? '' : `<p>${escapeHtml(skipped)}</p>`
  if (!onward) return skip
  const ways = onward.ways.map(({ words, to }) => {
    const where = escapeHtml(onwardToWords(to, t))
    return `<li>${escapeHtml(words)}: ${typeof to === 'object' ? `<a href="#step-${to.stepId}">${where}</a>` : where}</li>`
  })
  return `${skip}<div class="ways"><strong>${escapeHtml(onward.ask)}</strong><ul>${ways.join('')}</ul></div>`
}

function stepHtml(step: Step, n: number, setting: Setting): string {
  const { figures, home, t, level } = setting
  const head = `h${level + 1}`
  const parts = [
    ...(step.cautions ?? []).filter((caution) => caution.words.trim() !== '').map((caution) => cautionHtml(caution, t)),
    signsHtml(step.signs ?? [], t),
    `<div class="words">${blocksHtml(step.body.content, home)}</div>`,
    ...step.pictures.flatMap((_, index) => {
      const figure = figures.get(keyOf(step, index))
      return figure ? [figureHtml(figure, setting)] : []
    }),
    waysHtml(step, setting),
  ]
  return `<article class="step" id="step-${step.id}"><${head} aria-label="${escapeHtml(t('Step {{n}}', { n }))}">${n}</${head}>${parts.join('')}</article>`
}

/** The facts of a guide's head as a list. */
function factsHtml(guide: HandoutGuide, t: Say): string {
  const all = headFacts(guide, t)
  return `<dl class="facts">${all.map(([name, value]) => `<div><dt>${escapeHtml(name)}</dt><dd>${escapeHtml(value)}</dd></div>`).join('')}</dl>`
}

function guideHtml(setting: Setting, made: string, several: boolean): string {
  const { guide, t, level } = setting
  const { document } = guide
  const head = several
    ? `<h2 class="title" id="guide-${guide.guideId}">${escapeHtml(document.title)}</h2>`
    : `<h1>${escapeHtml(document.title)}</h1>`
  const code = `<div class="printed"><svg viewBox="0 0 ${guide.qr.size} ${guide.qr.size}" width="84" height="84" aria-hidden="true"><path d="${guide.qr.d}"/></svg><span>${escapeHtml(t('Written {{day}}. See whether this edition still holds:', { day: made }))} <a href="${escapeHtml(guide.address)}">${escapeHtml(guide.address)}</a></span></div>`
  const items = itemsOf(guide).map((item): string => {
    switch (item.kind) {
      case 'section':
        return `<h${level} class="part" id="part-${item.id}">${escapeHtml(item.title || t('Section without a title'))}</h${level}>`
      case 'step':
        return stepHtml(item, item.n ?? 0, setting)
      case 'quiz':
        return `<p class="quiz"><a href="${escapeHtml(guide.address)}">${escapeHtml(quizWords(item, guide, t))}</a></p>`
    }
  })
  const closing = (document.closing ?? '').trim()
  return [
    `<section lang="${escapeHtml(document.language)}" style="--face:${guide.look.type === 'serif' ? 'Literata,Georgia,serif' : "'Source Sans 3',system-ui,sans-serif"}">`,
    head,
    factsHtml(guide, t),
    '<hr class="rule">',
    document.summary.trim() === '' ? '' : `<p class="summary">${escapeHtml(document.summary)}</p>`,
    signsHtml(document.signs, t),
    code,
    `<div class="steps">${items.join('')}</div>`,
    closing === '' || guide.section !== null ? '' : `<p class="closing">${escapeHtml(closing)}</p>`,
    '</section>',
  ].join('')
}

function contentsHtml(handout: Handout, t: Say): string {
  const several = handout.guides.length > 1
  const entries = handout.guides.flatMap((guide) => [
    ...(several ? [`<li><a href="#guide-${guide.guideId}"><strong>${escapeHtml(guide.document.title)}</strong></a></li>`] : []),
    ...itemsOf(guide).flatMap((item) =>
      item.kind === 'section'
        ? [`<li><a href="#part-${item.id}"><strong>${escapeHtml(item.title)}</strong></a></li>`]
        : item.kind === 'step'
          ? [`<li class="in"><a href="#step-${item.id}">${item.n} ${escapeHtml(stepName(item))}</a></li>`]
          : [],
    ),
  ])
  return `<nav class="contents" aria-label="${escapeHtml(t('Contents'))}"><ol>${entries.join('')}</ol></nav>`
}

/** Writes guides as one page that needs nothing beside it: pictures, fonts and all in one file, to be read from a stick, by keyboard, on a phone.
 * @param figures of each guide, see {@link figuresInGuide}
 * @param sourceOf where a part of a picture is, as `data:` address
 * @param fonts style rules that bring the fonts along */
export function writePage(
  handout: Handout,
  figures: readonly FiguresOfGuide[],
  { sourceOf, fonts, t }: { sourceOf: Setting['sourceOf']; fonts: string; t: Say },
): string {
  const several = handout.guides.length > 1
  const { look } = handout
  const company =
    look.name || look.logo
      ? `<p class="company">${look.logo ? `<img src="${escapeHtml(look.logo)}" alt="">` : ''}${escapeHtml(look.name)}</p>`
      : ''
  const guides = handout.guides.map((guide, n) =>
    guideHtml({ guide, figures: figures[n] ?? new Map(), sourceOf, home: handout.home, t, level: several ? 3 : 2 }, handout.made, several),
  )
  const bar = `<div class="bar" hidden><button type="button" data-back>${escapeHtml(t('Back'))}</button><output aria-live="polite"></output><button type="button" data-next>${escapeHtml(t('Next'))}</button><button type="button" data-view data-one="${escapeHtml(t('Step by step'))}" data-all="${escapeHtml(t('All at once'))}"></button></div>`
  const language = handout.guides.length === 1 ? (handout.guides[0]?.document.language ?? handout.language) : handout.language
  return [
    `<!doctype html><html lang="${escapeHtml(language)}"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width,initial-scale=1">`,
    `<meta http-equiv="Content-Security-Policy" content="default-src 'none';img-src data:;font-src data:;style-src 'unsafe-inline';script-src 'unsafe-inline'">`,
    `<title>${escapeHtml(handout.title)}</title><style>${fonts}${PAGE_STYLE}:root{--colour:${darkened(look.colour, 4.5)}}</style></head><body><div class="sheet">`,
    company,
    several ? `<h1>${escapeHtml(handout.title)}</h1>` : '',
    contentsHtml(handout, t),
    ...guides,
    `</div>${bar}<script>${PAGE_SCRIPT}</script></body></html>`,
  ].join('')
}
