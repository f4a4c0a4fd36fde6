import * as z from 'zod/mini'

/** What one signs in with. */
export const SignIn = z.object({
  /** Mail address or personnel number. */
  account: z.string().check(z.trim(), z.minLength(1, 'Enter your mail address or number'), z.maxLength(254)),
  password: z.string().check(z.minLength(1, 'Enter your password'), z.maxLength(1_000)),
})
/** Read by {@link SignIn}. */
export type SignIn = z.infer<typeof SignIn>
