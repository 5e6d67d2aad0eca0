export { DOORS, mayEnter, needsOf } from './doors';
export { deedNeeds, isAtLeast, JOINING_ROLES, ROLES } from './roles';
export type { JoiningRole, Role } from './roles';
