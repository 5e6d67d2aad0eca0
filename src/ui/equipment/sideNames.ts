/** The sides of a rack as they are called. */
export const SIDE_NAMES = { left: 'left', right: 'right', near: 'door side', far: 'back' } as const;
