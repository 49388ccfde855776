/** What is painted on: they share their brushes, and come together. */
export { PackEditor } from './pack-editor';
export { PlacePicture } from './place-picture';
