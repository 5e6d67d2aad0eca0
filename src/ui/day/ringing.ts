'use client';
import { useEffect, useRef } from 'react';

/** An alarm's sound, made here: three notes up for what is urgent, one low one else. */
const NOTES = { now: [660, 880, 1175], soon: [520] } as const;
const NOTE_S = 0.18;
const AGAIN_MS = { now: 8000, soon: 30_000 } as const;

let audio: AudioContext | undefined;

/** A browser lets nothing sound until somebody has touched the page: the first touch is used for that. */
export function unlockSound(): void {
  audio ??= new AudioContext();
  void audio.resume();
}

function ring(urgency: 'now' | 'soon'): void {
  if (audio?.state === 'running') {
    NOTES[urgency].forEach((hertz, i) => {
      const tone = audio!.createOscillator();
      const loud = audio!.createGain();
      const at = audio!.currentTime + i * NOTE_S;
      tone.frequency.value = hertz;
      tone.type = 'triangle';
      loud.gain.setValueAtTime(0.0001, at);
      loud.gain.exponentialRampToValueAtTime(0.5, at + 0.02);
      loud.gain.exponentialRampToValueAtTime(0.0001, at + NOTE_S);
      tone.connect(loud).connect(audio!.destination);
      tone.start(at);
      tone.stop(at + NOTE_S);
    });
  }
  if (navigator.userActivation?.hasBeenActive) navigator.vibrate?.(urgency === 'now' ? [300, 120, 300, 120, 300] : [250]);
}

/** Rings until nobody is called any more; a new cause rings at once. */
export function useRinging(calls: readonly { causeId: string; urgency: 'now' | 'soon'; title: string }[], quiet: boolean): void {
  const told = useRef(new Set<string>());
  const key = calls.map((call) => call.causeId).join('|');
  const urgency = calls.some((call) => call.urgency === 'now') ? 'now' : calls.length > 0 ? 'soon' : undefined;
  useEffect(() => {
    if (!urgency || quiet) return;
    ring(urgency);
    const timer = setInterval(() => ring(urgency), AGAIN_MS[urgency]);
    return () => clearInterval(timer);
  }, [key, urgency, quiet]);
  useEffect(() => {
    for (const call of calls) {
      if (told.current.has(call.causeId)) continue;
      told.current.add(call.causeId);
      if (typeof Notification !== 'undefined' && Notification.permission === 'granted' && document.visibilityState !== 'visible')
        new Notification(call.title, { tag: call.causeId, requireInteraction: true });
    }
  }, [calls]);
}

/** Keeps the screen awake while it is looked at, where the browser can. */
export function useAwake(): void {
  useEffect(() => {
    let lock: WakeLockSentinel | undefined;
    const hold = () => {
      if (document.visibilityState === 'visible')
        void navigator.wakeLock?.request('screen').then(
          (held) => (lock = held),
          () => {},
        );
    };
    hold();
    document.addEventListener('visibilitychange', hold);
    return () => {
      document.removeEventListener('visibilitychange', hold);
      void lock?.release();
    };
  }, []);
}
