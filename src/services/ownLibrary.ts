import { libraryWith, type Library } from '../core/model';
import { withLearnedTrim, type LearnedTrim } from '../core/quantities';
import { listWeighedPieces, loadOwnLibrary } from '../persistence';

/** The library as events use it: the owner's entries over the shipped ones, trim as the scale has it. */
export const ownLibrary = async (): Promise<{ library: Library; learned: LearnedTrim[] }> =>
  withLearnedTrim(libraryWith(await loadOwnLibrary()), await listWeighedPieces());
