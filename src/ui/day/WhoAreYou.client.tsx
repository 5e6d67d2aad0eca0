'use client';
import { useState } from 'react';
import { unlockSound } from './ringing';

/** Asked once on each phone: whose is it? Alarms and taps carry the name. The first touch lets the browser sound alarms. */
export function WhoAreYou({ names, onChoose }: { names: string[]; onChoose(name: string): void }) {
  const [other, setOther] = useState('');
  const choose = (name: string) => {
    unlockSound();
    if (typeof Notification !== 'undefined' && Notification.permission === 'default') void Notification.requestPermission();
    onChoose(name);
  };
  const button = 'min-h-14 rounded border border-line bg-sheet px-4 text-left text-[1.15rem] font-bold';
  return (
    <main className="mx-auto flex min-h-screen max-w-md flex-col justify-center gap-3 px-5 py-8">
      <h1 className="text-[1.6rem]">Whose phone is this?</h1>
      <p className="text-soft">
        What is tapped here is written down under this name, and alarms for it ring here. The phone remembers it, and asks whether it may
        call you while it is in a pocket.
      </p>
      {names.map((name) => (
        <button key={name} type="button" className={button} onClick={() => choose(name)}>
          {name}
        </button>
      ))}
      <form
        className="flex gap-2"
        onSubmit={(submitted) => {
          submitted.preventDefault();
          if (other.trim()) choose(other.trim());
        }}
      >
        <input
          aria-label="Another name"
          placeholder="Another name"
          maxLength={60}
          className="min-h-14 min-w-0 grow rounded border border-line bg-sheet px-3 text-[1.1rem]"
          value={other}
          onChange={(changed) => setOther(changed.target.value)}
        />
        <button
          type="submit"
          disabled={!other.trim()}
          className="min-h-14 rounded border border-ember bg-ember px-5 font-bold text-on-ember disabled:opacity-50"
        >
          That is me
        </button>
      </form>
    </main>
  );
}
