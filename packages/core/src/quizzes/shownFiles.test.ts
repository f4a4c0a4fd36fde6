import { expect, it } from 'vitest'
import { seededIds, type PictureId } from '../shared'
import { Content, contentOf, type ContentClip } from './questions/content'
import { Question } from './questions/question'
import { clipsOf, picturesAsked, picturesOf, withOtherClips, withPictures } from './shownFiles'
import { optionsOf, questionOf } from './testing'

const newId = seededIds(3)
const clip = (title: string, more: Partial<ContentClip> = {}): ContentClip => ({
  ...{ id: newId(), kind: 'video', title, durationMs: 4_000, poster: newId(), captions: [{ id: newId(), language: 'en' }], ...more },
})
const [asked, chosen, explained] = [clip('asked'), clip('chosen', { poster: null }), clip('explained')]
const showing = (words: string, ...clips: ContentClip[]): Content => ({ ...contentOf(words), clips })
const [first, second] = optionsOf('Belt 1', 'Belt 2') as [{ id: string; content: Content }, { id: string; content: Content }]
const question = questionOf(
  'one',
  { options: [{ ...first, content: showing('Belt 1', chosen) }, second] },
  { right: 'option-a' },
  { id: newId(), prompt: showing('Which belt do you hear?', asked), explanation: showing('', explained) },
)

it('the clips of a question are those of all it shows, and the pictures that stand for them are pictures of it', () => {
  expect(Question.parse(question)).toEqual(question)
  expect(clipsOf(question).map(({ id }) => id)).toEqual([asked, chosen, explained].map(({ id }) => id))
  expect(clipsOf(question)[0]!.captions).toEqual([asked.captions[0]!.id])
  expect(picturesAsked(question)).toEqual([asked.poster])
  expect(picturesOf(question)).toEqual([asked.poster, explained.poster])
})
it('with other pictures it keeps its clips, and without clips all else', () => {
  const own = newId<PictureId>()
  expect(picturesOf(withPictures(question, () => own))).toEqual([own, own])
  expect(clipsOf(withPictures(question, () => null))).toEqual(clipsOf(question).map((each) => ({ ...each, poster: null })))
  const without = withOtherClips(question, () => null)
  expect([clipsOf(without), picturesOf(without)]).toEqual([[], []])
  expect(without.prompt).toEqual(contentOf('Which belt do you hear?'))
  expect(Object.keys(without.prompt)).not.toContain('clips')
  expect(withOtherClips(question, (each) => each)).toEqual(question)
})
it('content with a clip in two captions of one language, or with a fourth clip, is refused', () => {
  const twice = { ...asked, captions: ['en', 'EN'].map((language) => ({ id: newId(), language })) }
  for (const clips of [[twice], [asked, asked, asked, asked]]) expect(Content.safeParse({ ...contentOf(''), clips }).success).toBe(false)
})
