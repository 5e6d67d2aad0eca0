import type { BarkColour } from '../../core/model';

/** How dark a bark is wanted, as the crew says it. */
export const COLOUR_WORDS: Record<BarkColour, string> = { light: 'light, reddish', usual: 'mahogany', dark: 'dark, nearly black' };
