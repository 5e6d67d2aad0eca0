'use client';
import { DoorOpen, LogOut } from 'lucide-react';
import { useState } from 'react';
import type { JoiningRole, Role } from '../../core/access';
import { announce, callAction, complain, type Action } from '../kit/actions';
import { Button } from '../kit/Button';

const ROLE_WORDS: Record<Role, [name: string, may: string]> = {
  watcher: ['Watcher', 'looks'],
  helper: ['Helper', 'tasks and readings'],
  cook: ['Cook', 'tasks, readings, levers, the day itself'],
  owner: ['Owner', 'everything, plans and settings too'],
};
const OFFERED: JoiningRole[] = ['cook', 'helper', 'watcher'];

interface YardSettingsProps {
  yard: { open: boolean; code: string; joinsAs: JoiningRole };
  /** Where phones come in, each with a picture of its address and code. */
  entrances: { address: string; picture: string }[];
  failed: { address: string; why: string }[];
  crew: { id: string; name: string; role: Role; seen: string }[];
  openYard: Action<unknown>;
  closeYard: Action<unknown>;
  setMemberRole: Action<unknown>;
  putOut: Action<unknown>;
}

/** Whether crew may join with their phones, who is in, and what each may do. */
export function YardSettings({ yard, entrances, failed, crew, openYard, closeYard, setMemberRole, putOut }: YardSettingsProps) {
  const [joinsAs, setJoinsAs] = useState<JoiningRole>(yard.joinsAs);
  const call = async (action: Action<unknown>, input: unknown, words: string) => {
    const done = await callAction(action, input);
    if (done.ok) announce(words);
    else complain(done.problems);
  };
  return (
    <section aria-label="Crew" className="md:col-span-2">
      <h2 className="text-xl">Crew with their own phones</h2>
      <p className="mt-1 max-w-prose text-soft">
        Until you open it, this program answers this machine only. Opened, phones in the same net join with the code below; what each may do
        is yours to say.
      </p>
      <div className="mt-3 flex flex-wrap items-end gap-3">
        <label className="flex flex-col gap-1">
          <span className="font-semibold">Whoever joins is a</span>
          <select
            className="min-h-9 rounded border border-line bg-sheet px-2"
            value={joinsAs}
            onChange={(changed) => setJoinsAs(changed.target.value as JoiningRole)}
          >
            {OFFERED.map((role) => (
              <option key={role} value={role}>
                {ROLE_WORDS[role][0]}: {ROLE_WORDS[role][1]}
              </option>
            ))}
          </select>
        </label>
        <Button
          look={yard.open ? undefined : 'ember'}
          onClick={() => void call(openYard, { joinsAs }, yard.open ? 'A new code. Who is in stays in.' : 'Crew may join.')}
        >
          <DoorOpen size={16} aria-hidden /> {yard.open ? 'Make a new code' : 'Let crew join'}
        </Button>
        {yard.open && (
          <Button look="quiet" onClick={() => void call(closeYard, undefined, 'Closed. Nobody is in any more.')}>
            Close, and put all out
          </Button>
        )}
      </div>
      {yard.open && (
        <div className="mt-4 flex flex-wrap gap-6">
          <div>
            <p className="text-soft">Code</p>
            <p className="figures text-[2.2rem] leading-tight font-bold tracking-[0.12em] select-all">{yard.code}</p>
          </div>
          {entrances.map(({ address, picture }) => (
            <figure key={address} className="flex items-center gap-3">
              {/* eslint-disable-next-line @next/next/no-img-element -- drawn here, nothing to load */}
              <img src={picture} alt={`Join at ${address}`} width={132} height={132} className="rounded bg-white p-1.5" />
              <figcaption>
                Point a phone’s camera at it, or open
                <br />
                <strong className="select-all">{address}/join</strong>
              </figcaption>
            </figure>
          ))}
          {entrances.length === 0 && (
            <p className="max-w-prose text-warn">
              This machine is in no net that phones could be in. Join a wireless net, or open one with a phone, then make a new code.
            </p>
          )}
          {failed.map(({ address, why }) => (
            <p key={address} className="text-warn">
              {address} could not be opened: {why}
            </p>
          ))}
        </div>
      )}
      {crew.length > 0 && (
        <ul className="mt-4 max-w-2xl">
          {crew.map((member) => (
            <li key={member.id} className="flex flex-wrap items-center justify-between gap-3 border-b border-line py-1.5">
              <span>
                <strong>{member.name}</strong> <span className="text-[0.9rem] text-soft">last seen {member.seen}</span>
              </span>
              <span className="flex items-center gap-2">
                <select
                  aria-label={`What ${member.name} may do`}
                  className="min-h-9 rounded border border-line bg-sheet px-2"
                  value={member.role}
                  onChange={(changed) =>
                    void call(
                      setMemberRole,
                      { id: member.id, role: changed.target.value },
                      `${member.name}: ${ROLE_WORDS[changed.target.value as Role][1]}`,
                    )
                  }
                >
                  {(['owner', ...OFFERED] as const).map((role) => (
                    <option key={role} value={role}>
                      {ROLE_WORDS[role][0]}
                    </option>
                  ))}
                </select>
                <Button
                  look="quiet"
                  aria-label={`Put out ${member.name}`}
                  onClick={() => void call(putOut, { id: member.id }, `${member.name} is out.`)}
                >
                  <LogOut size={16} aria-hidden /> Put out
                </Button>
              </span>
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}
