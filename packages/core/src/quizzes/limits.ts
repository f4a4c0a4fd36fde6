/** How much quizzes and banks may hold. Characters, unless said otherwise. */
export const QUIZ_LIMITS = {
  title: 200,
  words: 4_000,
  /** Questions in a quiz, or in a bank. */
  questions: 500,
  /** Characters of the rich text of one prompt, explanation or option, as JSON. */
  text: 60_000,
  pictures: 6,
  clips: 3,
  /** Languages in which a clip has captions. */
  captions: 8,
  alt: 300,
  options: 20,
  accepted: 30,
  /** An accepted spelling, a unit, a tag. */
  spelling: 200,
  unit: 30,
  tag: 40,
  tags: 10,
  areas: 12,
  steps: 12,
  points: 20,
  /** Lines of a rubric, and characters of one. */
  criteria: 12,
  criterion: 500,
  /** What somebody may answer in a short text, and in a written reply. */
  shortAnswer: 500,
  reply: 20_000,
  /** Seconds that somebody may speak in a recorded reply. */
  replySeconds: 900,
  attempts: 50,
  /** Minutes. */
  wait: 43_200,
  timeLimit: 600,
  /** Percent. */
  extraTime: 400,
} as const

/** With more questions than these, an editor is told that {@link GOOD_LENGTH} is what most people go through with care. */
export const MANY_QUESTIONS = 10
/** From so many to so many questions. */
export const GOOD_LENGTH = { from: 5, to: 10 } as const
