import type { Stage } from '@/core/case';
import { stageOf } from './library';
import { UserError } from './problem';
import type { Role, User } from './users';

/** What each role may do. Reading a job is open to all who are signed in. */
const ALLOWED = {
  'create-job': ['technician', 'counter', 'owner'],
  'make-quote': ['technician', 'counter', 'owner'],
  'send-quote': ['counter', 'owner'],
  'import-case': ['technician', 'counter', 'owner'],
  'edit-units': ['technician', 'owner'],
  'edit-shelf': ['technician', 'owner'],
  'close-job': ['technician', 'counter', 'owner'],
  'erase-customer': ['owner'],
  'see-shop': ['owner'],
  'see-costs': ['owner'],
  'edit-shop': ['owner'],
} as const satisfies Record<string, readonly Role[]>;
export type Permission = keyof typeof ALLOWED;

/** Findings and causes are the bench's to write, what the customer pays is the counter's. */
const WRITES: Partial<Record<Stage, readonly Role[]>> = {
  teardown: ['technician', 'owner'],
  cause: ['technician', 'owner'],
  quote: ['counter', 'owner'],
};

export function may(user: User, permission: Permission): boolean {
  return (ALLOWED[permission] as readonly Role[]).includes(user.role);
}

export function mayWrite(role: Role, slot: string): boolean {
  return WRITES[stageOf(slot)]?.includes(role) ?? true;
}

/** Throws a UserError 403 that names who may. */
export function demand(user: User, permission: Permission): void {
  if (!may(user, permission)) {
    throw new UserError(403, `A ${user.role} may not do this.`, `Ask: ${ALLOWED[permission].join(' or ')}.`);
  }
}
