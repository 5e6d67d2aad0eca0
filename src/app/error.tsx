'use client';
import { Button } from '../ui/kit/Button';

/** The last resort: says what happened and what was kept. */
export default function Failed({ reset }: { error: Error; reset(): void }) {
  return (
    <main className="mx-auto max-w-3xl px-4 py-10">
      <h1 className="text-2xl">This page could not be shown</h1>
      <p className="mt-2 text-soft">
        Everything that was saved is still there. Try again; if it happens again, look at what the program printed where it was started.
      </p>
      <Button look="ember" className="mt-4" onClick={reset}>
        Try again
      </Button>
    </main>
  );
}
