/** What a person does in the shop; it decides what they may. */
export const ROLES = ['technician', 'counter', 'owner'] as const;
export type Role = (typeof ROLES)[number];
