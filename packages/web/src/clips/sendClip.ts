import { askClipUpload } from '@jackdaw/contracts/clips'
import { addressOf } from '@jackdaw/contracts/endpoint'
import type { ClipId } from '@jackdaw/core/shared'
import { problemIn, renewToken, sessionToken, Unreachable } from '../api'

/** So many bytes go at a time: a connection that breaks costs one of them at the most. */
const PIECE_BYTES = 2 * 1024 * 1024
/** How long it waits after each failure before it asks how far it has come and goes on. */
const AGAIN_AFTER_MS = [0, 1_000, 2_000, 4_000, 8_000, 15_000, 30_000, 30_000]

/** Sends the bytes of a clip that was begun, from where it has come to. What breaks on the way is tried again for more than a minute.
 * @param onSent how many bytes have come so far
 * @throws ApiProblem when the server refuses, Unreachable when it does not answer for so long */
export async function sendClip(id: ClipId, file: Blob, onSent: (bytes: number) => void, signal?: AbortSignal): Promise<void> {
  const { Upload, DetailedError } = await import('tus-js-client')
  signal?.throwIfAborted()
  await new Promise<void>((resolve, reject) => {
    const upload = new Upload(file, {
      uploadUrl: addressOf(askClipUpload, { id }),
      chunkSize: PIECE_BYTES,
      retryDelays: AGAIN_AFTER_MS,
      storeFingerprintForResuming: false,
      onBeforeRequest: (request) => void request.setHeader('x-csrf-token', sessionToken()),
      onProgress: (sent) => onSent(sent),
      onShouldRetry: (error) => {
        const status = error.originalResponse?.getStatus() ?? 0
        // Somebody who has signed in again in another tab has another token.
        if (status === 403) void renewToken()
        return status === 0 || status === 403 || status === 409 || status >= 500
      },
      onSuccess: () => resolve(),
      onError: (error) => {
        const answer = error instanceof DetailedError ? error.originalResponse : null
        if (!answer) return reject(error instanceof DetailedError ? new Unreachable() : error)
        reject(problemIn(answer.getStatus(), answer.getHeader('content-type'), answer.getBody()))
      },
    })
    signal?.addEventListener('abort', () => {
      void upload.abort()
      reject(new DOMException('It is not sent any more', 'AbortError'))
    })
    upload.start()
  })
}
