'use client';
import { useId, useState } from 'react';
import type { LogColumns } from '../../inputs';
import { announce, callAction, complain, type Action } from '../kit/actions';
import { Button } from '../kit/Button';
import { Field, inputClass } from '../kit/Field';
import { FileButton } from '../kit/FileButton.client';

export interface AttachCurveActions {
  guessLog: Action<{ columns: string[]; guess: LogColumns }>;
  attachCurve: Action<{ id: string; points: number }>;
}
interface AttachCurveProps extends AttachCurveActions {
  id: string;
  hasCurve: boolean;
}

const HEAD_LETTERS = 20_000;

/** A logger's file put to one cook: which column its core is in, and in what unit. */
export function AttachCurve({ id, hasCurve, guessLog, attachCurve }: AttachCurveProps) {
  const [file, setFile] = useState<{ text: string; columns: string[]; guess: LogColumns }>();
  const [core, setCore] = useState('');
  const [probe, setProbe] = useState('');
  const [unit, setUnit] = useState<'C' | 'F'>('F');
  const [coreId, probeId, unitId] = [useId(), useId(), useId()];
  const choose = async (text: string) => {
    const found = await callAction(guessLog, { text: text.slice(0, HEAD_LETTERS) });
    if (!found.ok) return complain(found.problems);
    setCore(found.value.guess.temps[0] ?? '');
    setUnit(found.value.guess.unit);
    setFile({ text, ...found.value });
  };
  const send = async (input: object, words: string) => {
    const done = await callAction(attachCurve, { id, ...input });
    if (!done.ok) return complain(done.problems);
    setFile(undefined);
    announce(words);
  };
  return (
    <div className="mt-3 border-t border-line pt-3">
      <div className="flex flex-wrap items-center gap-2">
        <FileButton label="A logger’s file of this cook" accept=".csv,.txt,text/csv" onText={(text) => void choose(text)}>
          {hasCurve ? 'Another logger’s file' : 'Put a logger’s file to it'}
        </FileButton>
        {hasCurve && (
          <Button look="quiet" onClick={() => void send({ text: '' }, 'The curve is taken off.')}>
            Take the curve off
          </Button>
        )}
      </div>
      {file && (
        <div className="mt-2 grid gap-3 sm:grid-cols-4">
          <Field id={coreId} label="Column of the core" className="sm:col-span-2">
            <select id={coreId} value={core} onChange={({ target }) => setCore(target.value)} className={inputClass(false)}>
              {file.columns
                .filter((column) => column !== file.guess.time && column !== file.guess.channel)
                .map((column) => (
                  <option key={column}>{column}</option>
                ))}
            </select>
          </Field>
          {file.guess.channel !== undefined && (
            <Field id={probeId} label={`Its probe, in “${file.guess.channel}”`}>
              <input
                id={probeId}
                value={probe}
                maxLength={40}
                onChange={({ target }) => setProbe(target.value)}
                className={inputClass(false)}
              />
            </Field>
          )}
          <Field id={unitId} label="In">
            <select id={unitId} value={unit} onChange={({ target }) => setUnit(target.value as 'C' | 'F')} className={inputClass(false)}>
              <option value="C">°C</option>
              <option value="F">°F</option>
            </select>
          </Field>
          <div className="self-end">
            <Button
              onClick={() =>
                void send(
                  { text: file.text, columns: { ...file.guess, temps: [core], unit }, ...(probe.trim() && { probe: probe.trim() }) },
                  'Its curve is in the log.',
                )
              }
            >
              Put it to the cook
            </Button>
          </div>
        </div>
      )}
    </div>
  );
}
