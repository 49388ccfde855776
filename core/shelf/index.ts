export type { DonorCore, ShelfPiece } from './piece';
export { donorParts } from './donor';
export type { Donor, DonorPart, ShelfGrade } from './donor';
