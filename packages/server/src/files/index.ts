export { readPicture } from './readPicture'
export { findPicture, ownPictures, picturesOfEdition, storePicture } from './pictureStore'
export { sendPicture } from './sendPicture'
