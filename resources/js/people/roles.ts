import type { Person } from '../api/types';

export type Role = Person['role'];

/** The roles, and what each may do. */
export const ROLES: readonly (readonly [Role, string])[] = [
  ['viewer', 'viewer: looks'],
  ['shop', 'shop: sees what is issued, marks parts made'],
  ['designer', 'designer: changes jobs'],
  ['checker', 'checker: remarks, waives, issues'],
  ['owner', 'owner: everything'],
];
