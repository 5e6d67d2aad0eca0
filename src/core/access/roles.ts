import type { Deed } from '../day';

/** Who somebody is to the house, from least to most: who looks, who lends a hand, who cooks, whose house it is. */
export const ROLES = ['watcher', 'helper', 'cook', 'owner'] as const;
export type Role = (typeof ROLES)[number];

/** What those who join with the code may become. */
export const JOINING_ROLES = ['watcher', 'helper', 'cook'] as const satisfies readonly Role[];
export type JoiningRole = (typeof JOINING_ROLES)[number];

export const isAtLeast = (role: Role, needed: Role): boolean => ROLES.indexOf(role) >= ROLES.indexOf(needed);

/**
 * Who may say that something happened on a day. Hands tell what they do and read; what changes the day for everybody
 * (levers, the pit's heat, what a probe sits in, the day itself) is a cook's.
 */
export function deedNeeds(deed: Deed): Role {
  switch (deed.kind) {
    case 'piece':
    case 'checked':
    case 'reading':
    case 'pitReading':
    case 'task':
    case 'alarm':
    case 'safety':
    case 'weighed':
    case 'fire':
    case 'note':
    case 'undo':
      return 'helper';
    case 'pit':
      return deed.did === 'setPoint' || deed.did === 'vents' || deed.did === 'out' ? 'cook' : 'helper';
    case 'channel':
    case 'revision':
    case 'day':
      return 'cook';
  }
}
