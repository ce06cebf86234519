import type { Person } from '../api/types';

export type Role = Person['role'];

/** What each role may do. */
const MAY: Record<Role, string> = {
  viewer: 'looks',
  shop: 'sees what is issued, marks parts made',
  designer: 'changes jobs',
  checker: 'remarks, waives, issues',
  owner: 'everything',
};

/** Every role, with its words. */
export const ROLES = Object.entries(MAY).map(([role, words]): [string, string] => [role, `${role}: ${words}`]);
