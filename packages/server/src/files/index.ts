export { files } from './domain'
export {
  addCaptions,
  addToClip,
  beginClip,
  clipOfCaptions,
  clipsOwned,
  dropClips,
  findClip,
  findUsedClip,
  noteClipUse,
} from './clips/clipStore'
export type { ClipOwner } from './clips/model'
export { sendClip } from './clips/sendClip'
export { amendPicture, dropFiles, familyOf, fillPicture } from './blackOutPicture'
export { storePictureText, textOfPicture } from './pictureText'
export {
  adoptPicture,
  adoptPicturesOf,
  findPicture,
  findUsedPicture,
  findVersion,
  notePictureUse,
  ownersOf,
  picturesOfEdition,
  picturesOfItem,
  readPicture,
  storeContent,
  storePicture,
} from './pictureStore'
export { PICTURE } from './model'
export type { PictureContent } from './pictureStore'
export { noteRemoval, removeNotedFiles, removeStrayFiles, unusedContents } from './removeFiles'
export { sendPicture } from './sendPicture'
