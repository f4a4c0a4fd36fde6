export { amendPicture, dropOffered, familyOf, fillPicture } from './blackOutPicture'
export { readPicture } from './readPicture'
export { storePictureText, textOfPicture } from './pictureText'
export {
  adoptPicture,
  adoptPicturesOf,
  findPicture,
  ownersOf,
  picturesOfEdition,
  picturesOfGuide,
  storeContent,
  storePicture,
} from './pictureStore'
export type { PictureContent } from './pictureStore'
export { noteRemoval, removeNotedFiles, unusedContents } from './removeFiles'
export { sendPicture } from './sendPicture'
