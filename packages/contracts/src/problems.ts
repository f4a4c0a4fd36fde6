import * as z from 'zod/mini'

/** Every refusal that the API knows: its status and what it is called. */
export const PROBLEMS = {
  'bad-request': { status: 400, title: 'The request cannot be read' },
  'not-signed-in': { status: 401, title: 'Sign in first' },
  'not-paired': { status: 401, title: 'This browser is not paired with Jackdaw' },
  'wrong-credentials': { status: 401, title: 'Mail address, number or password is wrong' },
  'not-allowed': { status: 403, title: 'You may not do this' },
  'stale-page': { status: 403, title: 'This page is out of date; load it again' },
  'not-found': { status: 404, title: 'There is nothing at this address' },
  'wrong-method': { status: 405, title: 'This cannot be done at this address' },
  'folder-not-empty': { status: 409, title: 'The folder is not empty' },
  'folder-loop': { status: 409, title: 'A folder cannot be put into itself' },
  'not-publishable': { status: 409, title: 'It cannot be published yet' },
  'not-published': { status: 409, title: 'It is not published' },
  'export-not-ready': { status: 409, title: 'The file is not there' },
  'draft-moved-on': { status: 409, title: 'The draft has changed since the page was opened' },
  'item-archived': { status: 409, title: 'It is archived' },
  'already-handed-in': { status: 409, title: 'It waits to be confirmed already' },
  'already-answered': { status: 409, title: 'It has been answered already' },
  'check-in-closed': { status: 409, title: 'It is not asked any more' },
  'already-done': { status: 409, title: 'It is done already' },
  'recording-over': { status: 409, title: 'The recording has ended' },
  'recording-full': { status: 409, title: 'The recording is full' },
  'no-attempts-left': { status: 409, title: 'There is no attempt left' },
  'not-testable': { status: 409, title: 'There is nothing to be done in this guide' },
  'too-many-remarks': { status: 409, title: 'Too many remarks wait already' },
  'out-of-turn': { status: 409, title: 'This is not the next act of the attempt' },
  'link-used-up': { status: 410, title: 'This link holds no more' },
  'no-mail-address': { status: 409, title: 'There is no mail address' },
  'no-account-name': { status: 409, title: 'There is nothing to sign in with' },
  'password-to-choose': { status: 403, title: 'Choose a password of your own first' },
  'already-taken': { status: 409, title: 'It is taken already' },
  'beyond-own-rights': { status: 403, title: 'That goes beyond your own rights' },
  'reports-in-a-circle': { status: 409, title: 'People cannot report to one another in a circle' },
  'last-admin': { status: 409, title: 'The last admin stays' },
  'lines-wrong': { status: 409, title: 'Some lines are wrong' },
  'seen-otherwise': { status: 409, title: 'The file would do something else now' },
  'group-closed': { status: 409, title: 'The group is closed' },
  'site-in-use': { status: 409, title: 'People have their place of work there' },
  'audience-in-use': { status: 409, title: 'The audience is used' },
  'job-not-failed': { status: 409, title: 'The job has not failed' },
  'attempt-not-yet': { status: 409, title: 'No attempt can be begun now' },
  'not-amendable': { status: 409, title: 'It cannot be put right in this way' },
  'upload-moved-on': { status: 409, title: 'Another part of the file is next' },
  'attempt-over': { status: 409, title: 'The attempt is over' },
  'precondition-failed': { status: 412, title: 'It has changed meanwhile' },
  'too-large': { status: 413, title: 'Too large' },
  'wrong-type': { status: 415, title: 'This type of file or body is not taken here' },
  'no-such-range': { status: 416, title: 'The file has no such part' },
  invalid: { status: 422, title: 'Something in the request is not right' },
  'wrong-code': { status: 422, title: 'The code does not hold' },
  'not-a-picture': { status: 422, title: 'The file is not a picture that can be read' },
  'not-a-clip': { status: 422, title: 'The file is neither sound nor video that can be played here' },
  'not-markdown': { status: 422, title: 'The file is no Markdown text' },
  'not-a-calendar': { status: 422, title: 'The file cannot be read as a calendar' },
  'not-a-table': { status: 422, title: 'The file cannot be read as a list of people' },
  'bad-zip': { status: 422, title: 'The zip file cannot be used' },
  'too-many-tries': { status: 429, title: 'Too many tries' },
  internal: { status: 500, title: 'Something went wrong here' },
  busy: { status: 503, title: 'Too much at once' },
  'not-ready': { status: 503, title: 'Not ready' },
} as const

/** A code of the table. */
export type ProblemCode = keyof typeof PROBLEMS

/** An error answer, `application/problem+json` (RFC 9457). `errors` names fields by JSON pointer. */
export const Problem = z.object({
  type: z.string(),
  code: z.string(),
  title: z.string(),
  status: z.int(),
  detail: z.optional(z.string()),
  /** The detail before anything was put into its places `{{name}}`, and what goes there: so it can be said in another language. Absent
   * where nothing is put in. */
  words: z.optional(z.string()),
  into: z.optional(z.record(z.string(), z.union([z.string(), z.number()]))),
  errors: z.optional(z.array(z.object({ pointer: z.string(), detail: z.string() }))),
  retryAfterS: z.optional(z.int()),
})
/** Read by {@link Problem}. */
export type Problem = z.infer<typeof Problem>
