'use client';
import { FileUp } from 'lucide-react';
import { useState } from 'react';
import type { Outcome } from '../../core/outcome';
import type { LogColumns } from '../../inputs';
import { announce, callAction, complain, type Action } from '../kit/actions';
import { Button } from '../kit/Button';
import { Dialog } from '../kit/Dialog';

interface Imported {
  readings: number;
  channels: string[];
  refused: { line: number; reason: string }[];
}
export interface ImportLogProps {
  eventId: string;
  remembered: Record<string, LogColumns>;
  guessLog: (input: unknown) => Promise<Outcome<{ columns: string[]; guess: LogColumns }>>;
  importLog: Action<Imported>;
}

/** Takes in a logger's file: its columns are guessed, shown, put right by hand and remembered by the logger's name. */
export function ImportLog({ eventId, remembered, guessLog, importLog }: ImportLogProps) {
  const [file, setFile] = useState<{ name: string; text: string; columns: string[] }>();
  const [device, setDevice] = useState('Logger');
  const [columns, setColumns] = useState<LogColumns>();
  const [refused, setRefused] = useState<Imported['refused']>([]);
  const choose = async (chosen: File | undefined) => {
    if (!chosen) return;
    const text = await chosen.text();
    const found = await callAction(guessLog, { text: text.slice(0, 20_000) });
    if (!found.ok) return complain(found.problems);
    const known = remembered[device];
    const fits = known && [known.time, ...known.temps].every((column) => found.value.columns.includes(column));
    setColumns(fits ? known : found.value.guess);
    setRefused([]);
    setFile({ name: chosen.name, text, columns: found.value.columns });
  };
  const take = async () => {
    if (!file || !columns) return;
    const done = await callAction(importLog, { eventId, deviceId: device, text: file.text, columns });
    if (!done.ok) return complain(done.problems);
    announce(
      `${done.value.readings} readings of ${done.value.channels.length} channels taken in${done.value.refused.length > 0 ? `; ${done.value.refused.length} lines left out` : ''}.`,
    );
    setRefused(done.value.refused);
    if (done.value.refused.length === 0) setFile(undefined);
  };
  const field = 'min-h-9 w-full rounded border border-line bg-paper px-2';
  return (
    <>
      <label className="inline-flex min-h-9 cursor-pointer items-center gap-1.5 rounded border border-line bg-sheet px-3 text-[0.93rem] font-semibold">
        <FileUp size={16} aria-hidden /> Logger file
        <input type="file" accept=".csv,.txt,text/csv" className="sr-only" onChange={(changed) => void choose(changed.target.files?.[0])} />
      </label>
      <Dialog
        open={file !== undefined}
        onOpenChange={(open) => !open && setFile(undefined)}
        title="A logger’s file"
        description={file?.name}
      >
        {file && columns && (
          <div className="flex flex-col gap-3">
            <label>
              Name of the logger
              <input className={field} value={device} maxLength={60} onChange={(changed) => setDevice(changed.target.value)} />
            </label>
            <label>
              Column of the time
              <select className={field} value={columns.time} onChange={(changed) => setColumns({ ...columns, time: changed.target.value })}>
                {file.columns.map((column) => (
                  <option key={column}>{column}</option>
                ))}
              </select>
            </label>
            <label>
              Column of the channel
              <select
                className={field}
                value={columns.channel ?? ''}
                onChange={(changed) => setColumns({ ...columns, channel: changed.target.value || undefined })}
              >
                <option value="">each channel has its own column</option>
                {file.columns.map((column) => (
                  <option key={column}>{column}</option>
                ))}
              </select>
            </label>
            <fieldset>
              <legend>LogColumns of temperatures</legend>
              <div className="flex flex-wrap gap-x-4">
                {file.columns
                  .filter((column) => column !== columns.time && column !== columns.channel)
                  .map((column) => (
                    <label key={column} className="flex items-center gap-1.5">
                      <input
                        type="checkbox"
                        checked={columns.temps.includes(column)}
                        onChange={(changed) =>
                          setColumns({
                            ...columns,
                            temps: changed.target.checked ? [...columns.temps, column] : columns.temps.filter((each) => each !== column),
                          })
                        }
                      />
                      {column}
                    </label>
                  ))}
              </div>
            </fieldset>
            <label>
              In
              <select
                className={field}
                value={columns.unit}
                onChange={(changed) => setColumns({ ...columns, unit: changed.target.value as 'C' | 'F' })}
              >
                <option value="C">°C</option>
                <option value="F">°F</option>
              </select>
            </label>
            {refused.length > 0 && (
              <ul role="alert" className="max-h-40 overflow-y-auto text-[0.92rem] text-bad">
                {refused.map(({ line, reason }) => (
                  <li key={`${line}/${reason}`}>
                    line {line}: {reason}
                  </li>
                ))}
              </ul>
            )}
            <Button look="ember" onClick={() => void take()} disabled={columns.temps.length === 0 || device.trim() === ''}>
              Take it in
            </Button>
          </div>
        )}
      </Dialog>
    </>
  );
}
