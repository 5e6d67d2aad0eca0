'use client';
import { KeyRound, Trash2 } from 'lucide-react';
import { useState } from 'react';
import type { Problem } from '../../core/outcome';
import { announce, callAction, complain, type Action } from '../kit/actions';
import { Button } from '../kit/Button';

interface Settings {
  brokerUrl: string;
  topic: string;
  escalateMin: number;
  hotHoldEveryMin: number;
}
interface DaySettingsProps {
  settings: Settings;
  tokens: { id: string; name: string; createdAtMs: number; usedAtMs?: number }[];
  saveDaySettings: Action<unknown>;
  makeToken: Action<{ id: string; token: string }>;
  endToken: Action<unknown>;
}

/** Thermometers that send by themselves, and what the owner decides for every day. */
export function DaySettings({ settings, tokens, saveDaySettings, makeToken, endToken }: DaySettingsProps) {
  const [form, setForm] = useState(() => ({
    ...settings,
    escalateMin: String(settings.escalateMin),
    hotHoldEveryMin: String(settings.hotHoldEveryMin),
  }));
  const [problems, setProblems] = useState<Problem[]>([]);
  const [name, setName] = useState('');
  const [made, setMade] = useState<{ name: string; token: string }>();
  const save = async () => {
    const done = await callAction(saveDaySettings, {
      ...form,
      escalateMin: Number(form.escalateMin),
      hotHoldEveryMin: Number(form.hotHoldEveryMin),
    });
    setProblems(done.ok ? [] : done.problems);
    if (done.ok) announce('Kept. It holds from now on.');
  };
  const make = async () => {
    const done = await callAction(makeToken, { name });
    if (!done.ok) return complain(done.problems);
    setMade({ name, token: done.value.token });
    setName('');
  };
  const field = (path: keyof Settings, label: string, hint: string) => {
    const problem = problems.find((each) => each.path === path);
    return (
      <label className="flex flex-col gap-1">
        <span className="font-semibold">{label}</span>
        <input
          className={`min-h-9 rounded border bg-sheet px-2 ${problem ? 'border-bad' : 'border-line'}`}
          value={form[path]}
          aria-invalid={Boolean(problem)}
          onChange={(changed) => setForm({ ...form, [path]: changed.target.value })}
        />
        <span className={problem ? 'text-bad' : 'text-[0.9rem] text-soft'}>{problem?.message ?? hint}</span>
      </label>
    );
  };
  return (
    <>
      <section aria-label="Every day">
        <h2 className="text-xl">Thermometers and days</h2>
        <form
          className="mt-3 flex flex-col gap-4"
          onSubmit={(submitted) => {
            submitted.preventDefault();
            void save();
          }}
        >
          {field(
            'brokerUrl',
            'Message broker',
            'Thermometers that send to a broker (MQTT). Blank for none; such as mqtt://192.168.1.20:1883.',
          )}
          {field('topic', 'Its topic', 'Readings are looked for under topic/device/channel.')}
          {field('escalateMin', 'A second person is asked after, min', 'When an alarm is not answered by whoever was asked first.')}
          {field(
            'hotHoldEveryMin',
            'Hot food is looked at every, min',
            'Two hours is usual; your permit may ask for less. Holds for days begun from now on.',
          )}
          <Button type="submit" look="ember" className="self-start">
            Keep
          </Button>
        </form>
      </section>
      <section aria-label="Tokens">
        <h2 className="text-xl">Devices with a token</h2>
        <p className="mt-1 text-soft">
          A device posts its readings to /api/readings with its token. The token is shown once, here; only a mark of it is kept.
        </p>
        <form
          className="mt-3 flex gap-2"
          onSubmit={(submitted) => {
            submitted.preventDefault();
            void make();
          }}
        >
          <input
            aria-label="Name of the device"
            placeholder="Name of the device"
            maxLength={60}
            className="min-h-9 min-w-0 grow rounded border border-line bg-sheet px-2"
            value={name}
            onChange={(changed) => setName(changed.target.value)}
          />
          <Button type="submit" disabled={!name.trim()}>
            <KeyRound size={16} aria-hidden /> Make a token
          </Button>
        </form>
        {made && (
          <div role="status" className="mt-3 border-l-4 border-safe bg-sheet p-3">
            <p>
              The token of <strong>{made.name}</strong>, shown this once:
            </p>
            <code className="mt-1 block break-all select-all text-[0.95rem]">{made.token}</code>
          </div>
        )}
        {tokens.length === 0 ? (
          <p className="mt-4 text-soft">No device has one yet. Readings can be typed on any phone, too.</p>
        ) : (
          <ul className="mt-4">
            {tokens.map((token) => (
              <li key={token.id} className="flex items-center justify-between gap-3 border-b border-line py-1.5">
                <span>
                  {token.name}{' '}
                  <span className="text-[0.9rem] text-soft">{token.usedAtMs === undefined ? 'has not sent yet' : 'has sent'}</span>
                </span>
                <Button
                  look="quiet"
                  aria-label={`End it: the token of ${token.name}`}
                  onClick={async () => {
                    const done = await callAction(endToken, { id: token.id });
                    if (done.ok) announce(`${token.name} can send nothing more.`);
                    else complain(done.problems);
                  }}
                >
                  <Trash2 size={16} aria-hidden /> End it
                </Button>
              </li>
            ))}
          </ul>
        )}
      </section>
    </>
  );
}
