export { FACE_SEVERITY, LINING_STATES, liningState } from './grade';
export type { LiningState } from './grade';
export { faceSlot, PATTERN_WORDS, readPack, severityOf } from './pack';
export type { Face, FaceGrade, PackPattern, PackReading, PlateReading } from './pack';
export { at20, COPPER_PER_KELVIN, judgeSolenoid } from './solenoid';
export type { SolenoidVerdict } from './solenoid';
export { observe } from './observe';
export type { Observation } from './observe';
