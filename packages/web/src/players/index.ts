export { Brackets, spotStyle } from './OnPicture'
export { pictureAddress } from './used'
