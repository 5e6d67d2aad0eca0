import type { Outcome } from '../../core/outcome';

/** Sends something that whoever practises keeps; a lost connection becomes a problem like any other. */
export async function sendPaper<R>(
  paper: { what: string; [field: string]: unknown },
  options: { keepalive?: boolean } = {},
): Promise<Outcome<R>> {
  try {
    const answer = await fetch('/practice/papers', {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify(paper),
      keepalive: options.keepalive,
    });
    return (await answer.json()) as Outcome<R>;
  } catch {
    return {
      ok: false,
      problems: [{ code: 'unreachable', message: 'The house did not answer. Nothing is lost here; it is kept with the next try.' }],
    };
  }
}
