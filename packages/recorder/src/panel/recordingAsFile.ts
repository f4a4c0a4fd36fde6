import { recordingAsMarkdown } from '@jackdaw/core/recording'
import { strToU8, zipSync, type Zippable } from 'fflate'
import { kept } from '../background/store'

/** The recording as a zip: `recording.md` with the steps and their pictures, from which an import makes the same draft, and every raw action
 * in `actions.json`. */
export async function recordingAsFile(): Promise<{ name: string; bytes: Uint8Array<ArrayBuffer> }> {
  const [recording, all, shots] = await Promise.all([kept.recording(), kept.actions(), kept.shots()])
  const actions = all.filter((each) => !each.dropped).map((each) => each.action)
  const pictures = new Map(shots.map((shot) => [shot.id, shot.blob]))
  const fileOf = (id: string) => (pictures.has(id) ? `pictures/${id}.webp` : undefined)
  const text = recordingAsMarkdown(actions, recording?.language ?? 'en', fileOf)
  const files: Zippable = {
    'recording.md': strToU8(text),
    'actions.json': strToU8(JSON.stringify({ language: recording?.language, actions }, null, 1)),
  }
  for (const [id, blob] of pictures)
    if (text.includes(`(${fileOf(id)!})`)) files[fileOf(id)!] = [new Uint8Array(await blob.arrayBuffer()), { level: 0 }]
  return { name: `recording ${new Date().toISOString().slice(0, 16).replace('T', ' ').replace(':', '')}.zip`, bytes: zipSync(files) }
}
