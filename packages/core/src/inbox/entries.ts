import * as z from 'zod/mini'
import { LocalDate, keysOf, StepId } from '../shared'
import { pathOfAbout, type AboutRef } from './about'

/** All that is to be known of a kind of entry in an inbox.
 * `data`: what was so when it came in, for its words.
 * `waits`: whether it asks for a decision, and stays open until that is made.
 * `toDo`: whether it asks for its item to be done: it says nothing any more to whoever is done with it.
 * `mail`: whether it also comes as mail unless the person has chosen otherwise.
 * `words`: what has happened; `more`: what is to be done, from its data; `choice`: what the kind is called where mails are chosen; `act`:
 * the words on the link. Words are keys; `{{…}}` takes what `data` holds under that name, days written out as the reader writes them.
 * `leadsTo`: the address of the page in the application. */
export type EntryRules<D extends z.ZodMiniType = z.ZodMiniType> = {
  data: D
  waits: boolean
  toDo: boolean
  mail: boolean
  words: string
  more: (data: z.infer<D>) => string
  choice: string
  act: string
  leadsTo: (about: AboutRef, data: z.infer<D>) => string
}
const entry = <D extends z.ZodMiniType>(rules: EntryRules<D>): EntryRules<D> => rules

const title = z.string()
const by = z.string()

/** Everything that somebody can be told of in their inbox. */
export const ENTRIES = {
  'to-do': entry({
    data: z.object({ title, by, due: z.nullable(LocalDate) }),
    waits: false,
    toDo: true,
    mail: true,
    words: '{{by}} gives you “{{title}}” to do',
    more: ({ due }) => (due === null ? 'There is no date by which it has to be done.' : 'It is to be done by {{due}}.'),
    choice: 'I am given something to do',
    act: 'Open it',
    leadsTo: pathOfAbout,
  }),
  'due-again': entry({
    data: z.object({ title, due: z.nullable(LocalDate) }),
    waits: false,
    toDo: true,
    mail: true,
    words: '“{{title}}” is to be done again',
    more: ({ due }) => (due === null ? 'There is no date by which it has to be done.' : 'It is to be done by {{due}}.'),
    choice: 'Something that I have done is to be done again',
    act: 'Open it',
    leadsTo: pathOfAbout,
  }),
  'to-look-up': entry({
    data: z.object({ title, by }),
    waits: false,
    toDo: false,
    mail: false,
    words: '{{by}} gives you “{{title}}” to look up',
    more: () => 'There is nothing to be done; it is at hand when you need it.',
    choice: 'I am given something to look up',
    act: 'Open it',
    leadsTo: pathOfAbout,
  }),
  'due-soon': entry({
    data: z.object({ title, due: LocalDate }),
    waits: false,
    toDo: true,
    mail: true,
    words: '“{{title}}” is due on {{due}}',
    more: () => 'It is still to be done by you.',
    choice: 'Something that I am to do is due soon',
    act: 'Open it',
    leadsTo: pathOfAbout,
  }),
  late: entry({
    data: z.object({ title, due: LocalDate }),
    waits: false,
    toDo: true,
    mail: true,
    words: '“{{title}}” was due on {{due}}',
    more: () => 'It is still to be done by you.',
    choice: 'Something that I was to do is late',
    act: 'Open it',
    leadsTo: pathOfAbout,
  }),
  'team-late': entry({
    data: z.object({ title, names: z.string(), count: z.int() }),
    waits: false,
    toDo: false,
    mail: true,
    words: 'People who report to you are late with “{{title}}”: {{count}}',
    more: () => '{{names}}',
    choice: 'People who report to me are late',
    act: 'See who is late',
    leadsTo: () => '/records?by=people&state=late',
  }),
  reminded: entry({
    data: z.object({ title, by, due: z.nullable(LocalDate) }),
    waits: false,
    toDo: true,
    mail: true,
    words: '{{by}} reminds you of “{{title}}”',
    more: ({ due }) => (due === null ? 'It waits to be done by you.' : 'It is to be done by {{due}}.'),
    choice: 'Somebody reminds me of what I am to do',
    act: 'Open it',
    leadsTo: pathOfAbout,
  }),
  'to-confirm': entry({
    data: z.object({ title, names: z.string(), count: z.int() }),
    waits: true,
    toDo: false,
    mail: true,
    words: 'You are asked to confirm “{{title}}”: {{count}}',
    more: () => '{{names}}',
    choice: 'I am asked to confirm that somebody has done something',
    act: 'See what waits',
    leadsTo: () => '/to-confirm',
  }),
  'sent-back': entry({
    data: z.object({ title, by, reason: z.string() }),
    waits: false,
    toDo: true,
    mail: true,
    words: '{{by}} sends “{{title}}” back to you',
    more: () => '“{{reason}}”',
    choice: 'Something that I have handed in is sent back to me',
    act: 'Open it',
    leadsTo: pathOfAbout,
  }),
  confirmed: entry({
    data: z.object({ title, by }),
    waits: false,
    toDo: false,
    mail: false,
    words: '{{by}} confirms that you have done “{{title}}”',
    more: () => 'It stands in your records.',
    choice: 'It is confirmed that I have done something',
    act: 'Open it',
    leadsTo: pathOfAbout,
  }),
  'quiz-result': entry({
    data: z.object({ title, person: z.string(), passed: z.boolean(), percent: z.int(), attempt: z.int() }),
    waits: false,
    toDo: false,
    mail: true,
    words: 'A result in “{{title}}”: {{person}}',
    more: ({ passed }) =>
      passed ? 'Passed with {{percent}} % at attempt {{attempt}}.' : 'Not passed, with {{percent}} % at attempt {{attempt}}.',
    choice: 'There is a result of a quiz of which I am told',
    act: 'See the records',
    leadsTo: ({ id }) => `/records/attempts/${id}`,
  }),
  'to-judge': entry({
    data: z.object({ title, person: z.string(), apart: z.boolean() }),
    waits: true,
    toDo: false,
    mail: true,
    words: 'A reply to “{{title}}” waits to be judged: {{person}}',
    more: ({ apart }) =>
      apart ? 'Two have judged it and do not agree; you settle it.' : 'You are one of those who judge it, by its rubric.',
    choice: 'A reply to a quiz waits for me to judge it',
    act: 'Judge it',
    leadsTo: ({ id }) => `/quiz-attempts/${id}/judge`,
  }),
  judged: entry({
    data: z.object({ title, passed: z.boolean() }),
    waits: false,
    toDo: false,
    mail: true,
    words: 'Your replies to “{{title}}” have been judged',
    more: ({ passed }) => (passed ? 'You have passed.' : 'You have not passed yet. What was said about them stands with your answers.'),
    choice: 'My replies to a quiz have been judged',
    act: 'See what came of it',
    leadsTo: pathOfAbout,
  }),
  'result-put-right': entry({
    data: z.object({ title, change: z.enum(['passes', 'fails', 'points']), reason: z.string() }),
    waits: false,
    toDo: false,
    mail: true,
    words: 'Your result in “{{title}}” has been put right',
    more: ({ change }) => {
      if (change === 'passes') return 'It counts as passed now. The reason: “{{reason}}”'
      return change === 'fails'
        ? 'It does not count as passed any more. The reason: “{{reason}}”'
        : 'Only the points are others now. The reason: “{{reason}}”'
    },
    choice: 'A result of mine is put right',
    act: 'See what came of it',
    leadsTo: pathOfAbout,
  }),
  'time-over': entry({
    data: z.object({ title, answered: z.int(), questions: z.int() }),
    waits: false,
    toDo: false,
    mail: false,
    words: 'The time for “{{title}}” was over',
    more: () => 'What you had answered by then was handed in: {{answered}} of {{questions}} questions.',
    choice: 'The time for an attempt of mine was over',
    act: 'See what came of it',
    leadsTo: pathOfAbout,
  }),
  'check-in': entry({
    data: z.object({ name: z.string(), other: z.nullable(z.string()) }),
    waits: true,
    toDo: false,
    mail: true,
    words: 'The check-in “{{name}}” waits for your answers',
    more: ({ other }) =>
      other === null
        ? 'Somebody else answers the same questions. When both have answered, you see the answers side by side.'
        : '{{other}} answers the same questions. When both have answered, you see the answers side by side.',
    choice: 'A check-in waits for my answers',
    act: 'Answer',
    leadsTo: pathOfAbout,
  }),
  'checked-in': entry({
    data: z.object({ name: z.string(), other: z.string() }),
    waits: false,
    toDo: false,
    mail: true,
    words: '{{other}} has answered too: “{{name}}”',
    more: () => 'Both answers stand side by side now. Look at them, then talk.',
    choice: 'Both have answered a check-in of mine',
    act: 'See both',
    leadsTo: pathOfAbout,
  }),
  clash: entry({
    data: z.object({ title, by: z.nullable(z.string()), step: z.nullable(z.string()) }),
    waits: true,
    toDo: false,
    mail: true,
    words: 'Something you changed in “{{title}}” waits for your decision',
    more: (data) =>
      data.by === null
        ? 'It was not taken over, because the same place has been changed meanwhile. Both are kept; choose in the editor.'
        : 'It was not taken over, because {{by}} has changed the same place meanwhile. Both are kept; choose in the editor.',
    choice: 'A change of mine meets that of somebody else and waits for my decision',
    act: 'Decide',
    leadsTo: (about, { step }) => `${pathOfAbout(about)}/edit${step === null ? '' : `?step=${step}`}`,
  }),
  imported: entry({
    data: z.object({ title, count: z.int(), missing: z.int() }),
    waits: false,
    toDo: false,
    mail: false,
    words: 'The import of “{{title}}” is done',
    more: ({ missing }) =>
      missing === 0 ? 'It is a draft with {{count}} steps.' : 'It is a draft with {{count}} steps. Pictures that are missing: {{missing}}.',
    choice: 'An import of mine is done',
    act: 'Open the draft',
    leadsTo: (about) => `${pathOfAbout(about)}/edit`,
  }),
  'export-ready': entry({
    data: z.object({ title, until: LocalDate }),
    waits: false,
    toDo: false,
    mail: false,
    words: 'Your file “{{title}}” is ready',
    more: () => 'It is kept until {{until}}.',
    choice: 'A file that I have had made is ready',
    act: 'See my files',
    leadsTo: pathOfAbout,
  }),
  'export-failed': entry({
    data: z.object({ title, reason: z.string() }),
    waits: false,
    toDo: false,
    mail: false,
    words: 'Your file “{{title}}” could not be made',
    more: () => '{{reason}}',
    choice: 'A file that I have had made could not be made',
    act: 'See my files',
    leadsTo: pathOfAbout,
  }),
  'export-gone': entry({
    data: z.object({ title }),
    waits: false,
    toDo: false,
    mail: true,
    words: 'Your file “{{title}}” was deleted',
    more: () => 'A picture in it has been blacked out since. Delete copies that you have saved or passed on, and have it made anew.',
    choice: 'A file of mine is deleted because a picture in it was blacked out',
    act: 'See my files',
    leadsTo: pathOfAbout,
  }),
  'asked-at-step': entry({
    data: z.object({ title, by, step: z.string(), stepId: StepId }),
    waits: false,
    toDo: false,
    mail: false,
    words: '{{by}} asks you something at a step of “{{title}}”',
    more: () => 'The question stands at the step “{{step}}”. One answer is enough; you may also leave it.',
    choice: 'Somebody asks me something at a step of a guide that I have left',
    act: 'Go to the step',
    leadsTo: (about, { stepId }) => `${pathOfAbout(about)}?step=${stepId}`,
  }),
  'survey-over': entry({
    data: z.object({ title, question: z.string(), answers: z.number() }),
    waits: false,
    toDo: false,
    mail: true,
    words: 'Your question at “{{title}}” has all its answers',
    more: () => '“{{question}}”: {{answers}} answers. Nobody is asked any more.',
    choice: 'A question of mine at a step of a guide has all its answers',
    act: 'Read the answers',
    leadsTo: (about) => (about.kind === 'guide' ? `/engagement/guides/${about.id}/surveys` : pathOfAbout(about)),
  }),
  survey: entry({
    data: z.object({ title, by, due: z.nullable(LocalDate) }),
    waits: false,
    toDo: false,
    mail: true,
    words: '{{by}} asks you: “{{title}}”',
    more: ({ due }) => (due === null ? 'It takes a few minutes, and can be answered once.' : 'It can be answered once, until {{due}}.'),
    choice: 'I am asked something',
    act: 'Answer it',
    leadsTo: pathOfAbout,
  }),
  figures: entry({
    data: z.object({ title, figures: z.string() }),
    waits: false,
    toDo: false,
    mail: true,
    words: 'The figures of “{{title}}”',
    more: () => '{{figures}}',
    choice: 'A page of figures is sent to me every week or month',
    act: 'Open the page',
    leadsTo: pathOfAbout,
  }),
  'write-along': entry({
    data: z.object({ title, by }),
    waits: false,
    toDo: false,
    mail: true,
    words: '{{by}} asks you to write along at “{{title}}”',
    more: () => 'You can change its draft now, as its owner can.',
    choice: 'Somebody asks me to write along at a guide',
    act: 'Open the draft',
    leadsTo: (about) => `${pathOfAbout(about)}/edit`,
  }),
}
/** The kinds that ask for an item to be done. */
export const TO_DO_ENTRIES = keysOf(ENTRIES).filter((kind) => ENTRIES[kind].toDo)
/** A kind of entry. */
export const EntryKind = z.enum(keysOf(ENTRIES))
/** A kind of entry. */
export type EntryKind = keyof typeof ENTRIES
/** What an entry of this kind holds. */
export type EntryData<K extends EntryKind> = z.infer<(typeof ENTRIES)[K]['data']>

/** An entry with the words for it: `words` and `more` are keys, with what is to be put into them, in which days stand as `YYYY-MM-DD`. */
export type SaidEntry = { words: string; more: string; act: string; to: string; into: Record<string, unknown> }

/** What an entry says.
 * @param data as it was stored; checked against the schema of its kind
 * @throws when the data are not those of the kind */
export function entrySaid(kind: EntryKind, about: AboutRef, data: unknown): SaidEntry {
  const rules: EntryRules = ENTRIES[kind]
  const into = rules.data.parse(data)
  return {
    words: rules.words,
    more: rules.more(into),
    act: rules.act,
    to: rules.leadsTo(about, into),
    into: into as Record<string, unknown>,
  }
}
