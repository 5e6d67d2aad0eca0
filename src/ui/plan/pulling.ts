/** What a pulled lever does to an event: fetched when one is pulled, not with the page. */
export { pullLever } from '../../core/planning';
