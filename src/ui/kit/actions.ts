'use client';
import type { Outcome, Problem } from '../../core/outcome';
import { showToast } from './toasts.client';

/** `seen` is the entry as the page had it, as JSON: what somebody changed of it since is put together with the input; where both changed the same, `settle` says whose holds. */
export type Action<R> = (input: unknown, seen?: string, settle?: Settle) => Promise<Outcome<R>>;
export type Settle = 'mine' | 'theirs';

/** Runs an action; a lost connection becomes a problem like any other, and nothing typed is lost. */
export async function callAction<R>(action: Action<R>, input: unknown, seen?: string, settle?: Settle): Promise<Outcome<R>> {
  try {
    return await (seen === undefined ? action(input) : settle === undefined ? action(input, seen) : action(input, seen, settle));
  } catch {
    return {
      ok: false,
      problems: [
        { code: 'unreachable', message: 'The program did not answer, so this was not saved. What you typed is still here; try again.' },
      ],
    };
  }
}

export const firstMessage = (problems: Problem[]): string => problems[0]?.message ?? 'That did not work. Nothing was changed.';

/** Says what happened, with an undo where there is one. */
export function announce(message: string, undo?: () => void): void {
  showToast((toast) => toast(message, undo ? { action: { label: 'Undo', onClick: undo } } : undefined));
}
export const complain = (problems: Problem[]): void => showToast((toast) => toast.error(firstMessage(problems)));
