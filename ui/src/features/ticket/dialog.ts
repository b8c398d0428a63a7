export { default } from './PictureTexts';
