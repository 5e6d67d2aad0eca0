'use client';
import { createContext, useContext } from 'react';

/** Marks the last edit; calling what comes back takes just that edit back. Undefined where a page keeps no steps of its own. */
export type MarkEdit = () => () => void;

export const UndoContext = createContext<MarkEdit | undefined>(undefined);
export const useMarkEdit = (): MarkEdit | undefined => useContext(UndoContext);
