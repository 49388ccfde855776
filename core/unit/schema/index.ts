export type { Element, ElementKind, Pack, PackSetUp, PlateKind } from './element';
export type { LabourOperation, Sensor, Solenoid, Spec, Station, Variant } from './equipment';
export type { Limits } from './fields';
export type { Bearing, GearPosition, Gearset, Member, MeshSet, PlanetarySet, ToothedMember } from './gearing';
export type { Attachment, Part } from './part';
export { unitSchema } from './unit';
export type { UnitDefinition } from './unit';
