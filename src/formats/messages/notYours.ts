/** Said where a role does not reach: on the phone at once, and by the house whatever a phone sends. */
export const NOT_YOURS = 'This is not yours to do here. Ask whoever runs the day; nothing was changed.';
