export { Brackets, spotStyle } from './picture/OnPicture'
export { pictureAddress } from './used'
