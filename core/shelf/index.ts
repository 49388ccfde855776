export type { DonorCore, ShelfPiece } from './piece';
export { donorParts, SHELF_GRADES } from './donor';
export type { Donor, DonorPart, ShelfGrade } from './donor';
