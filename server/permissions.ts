import { ROLES, STAGE } from '@/core/stage';
import type { Role } from '@/core/stage';
import { stageOf } from './library';
import { UserError } from './problem';
import type { User } from './users';

const EVERYBODY = ROLES;

/** What can be done in the shop, and who may; what may be written into a job is said by its stages. */
const ALLOWED = {
  'own-account': EVERYBODY,
  'see-jobs': EVERYBODY,
  'see-units': EVERYBODY,
  'see-shelf': EVERYBODY,
  'create-job': EVERYBODY,
  /** Each entry is then judged by its stage. */
  'write-jobs': EVERYBODY,
  'import-case': EVERYBODY,
  'close-job': EVERYBODY,
  'ask-supplier': EVERYBODY,
  'make-quote': EVERYBODY,
  'send-quote': ['counter', 'owner'],
  'edit-units': ['technician', 'owner'],
  'edit-shelf': ['technician', 'owner'],
  /** Whoever plans a job may take a part for it. */
  'take-from-shelf': EVERYBODY,
  'erase-customer': ['owner'],
  'see-shop': ['owner'],
  'see-costs': ['owner'],
  'edit-shop': ['owner'],
  'edit-people': ['owner'],
} as const satisfies Record<string, readonly Role[]>;
export type Permission = keyof typeof ALLOWED;

export const PERMISSIONS = Object.keys(ALLOWED) as readonly Permission[];

/** What a route asks of who calls it: a permission, or the right to write a slot of a job. */
export type Right<P> = { may: Permission } | { writes(params: P): string };

export function may(user: Pick<User, 'role'>, permission: Permission): boolean {
  return (ALLOWED[permission] as readonly Role[]).includes(user.role);
}

export function mayWrite(role: Role, slot: string): boolean {
  return STAGE[stageOf(slot)].writers.includes(role);
}

/** Throws a UserError 403 that names who may. */
export function demand(user: User, permission: Permission): void {
  if (!may(user, permission)) throw forbidden(user, ALLOWED[permission]);
}

/** Throws a UserError 403 that names who may. */
export function demandRight<P>(user: User, right: Right<P>, params: P): void {
  if ('may' in right) return demand(user, right.may);
  const slot = right.writes(params);
  if (!mayWrite(user.role, slot)) throw forbidden(user, STAGE[stageOf(slot)].writers);
}

const forbidden = ({ role }: User, who: readonly Role[]) =>
  new UserError(
    403,
    `${/^[aeiou]/.test(role) ? 'An' : 'A'} ${role} may not do this.`,
    `Ask: ${who.join(' or ')}.`,
  );
