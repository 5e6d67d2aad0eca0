import { spawn, type ChildProcess } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import sqlite3 from 'sqlite3';
import type { Role } from '../../src/core/access';
import type { Outcome } from '../../src/core/outcome';
import { actionIds } from '../hostile/doors';

const YARD = '127.0.0.3';
const READY_WITHIN_MS = 120_000;

/** Somebody with a phone, who has joined from the yard; the owner at the machine; or a stranger. */
export interface Person {
  name: string;
  /** Nobody of the house: has not joined. */
  role?: Role;
  ask(url: string, init?: RequestInit): Promise<Response>;
}

/** The program itself, served from a database of its own, and asked from this machine and from the yard. */
export class House {
  readonly folder = mkdtempSync(path.join(tmpdir(), 'anachron-torture-'));
  readonly database = path.join(this.folder, 'house.sqlite');
  readonly base: string;
  readonly yard: string;
  readonly owner: Person;
  /** What it printed. */
  said = '';
  private server?: ChildProcess;
  private ids = new Map<string, string>();

  constructor(
    private readonly port: number,
    private readonly env: Record<string, string> = {},
  ) {
    this.base = `http://127.0.0.1:${port}`;
    this.yard = `http://${YARD}:${port}`;
    this.owner = this.person('the owner', this.base, {}, 'owner');
  }

  /** Starts it, and is there once it answers. */
  async start(): Promise<void> {
    this.said = '';
    // A group of its own: what is killed is killed with all that belongs to it.
    const server = spawn(process.execPath, ['scripts/serve.mjs', '--demo'], {
      env: { ...process.env, PORT: String(this.port), ANACHRON_DB: this.database, ANACHRON_YARD: YARD, ...this.env },
      stdio: ['ignore', 'pipe', 'pipe'],
      detached: true,
    });
    this.server = server;
    await new Promise<void>((resolve, reject) => {
      const heard = (text: Buffer) => {
        this.said += text.toString();
        if (this.said.includes('Anachron is at')) resolve();
      };
      server.stdout.on('data', heard);
      server.stderr.on('data', heard);
      server.on('exit', () => reject(new Error(`the program stopped before it was ready: ${this.said}`)));
      setTimeout(() => reject(new Error(`not ready within ${READY_WITHIN_MS} ms: ${this.said}`)), READY_WITHIN_MS).unref();
    });
    this.ids = actionIds();
  }

  /** As a power cut ends it. */
  kill(): Promise<void> {
    return this.end('SIGKILL');
  }
  stop(): Promise<void> {
    return this.end('SIGTERM');
  }
  private async end(signal: NodeJS.Signals): Promise<void> {
    const { server } = this;
    this.server = undefined;
    if (!server?.pid || server.exitCode !== null) return;
    const gone = new Promise((resolve) => server.once('exit', resolve));
    process.kill(-server.pid, signal);
    await gone;
  }
  async leave(): Promise<void> {
    await this.stop();
    rmSync(this.folder, { recursive: true, force: true });
  }

  /** The process that serves, below the one that was started. */
  get pid(): number {
    return this.server!.pid!;
  }

  private person(name: string, address: string, headers: Record<string, string>, role?: Role): Person {
    return {
      name,
      role,
      ask: (url, init = {}) =>
        fetch(`${address}${url}`, {
          redirect: 'manual',
          signal: AbortSignal.timeout(60_000),
          ...init,
          headers: { Origin: address, ...headers, ...(init.headers as Record<string, string>) },
        }),
    };
  }
  stranger(): Person {
    return this.person('a stranger', this.yard, {});
  }

  /** What a page of the owner's does by an action. */
  async act<T = unknown>(name: string, ...input: unknown[]): Promise<Outcome<T>> {
    return actAs<T>(this.owner, this.ids.get(name)!, input);
  }
  actionId(name: string): string {
    return this.ids.get(name)!;
  }

  async openYard(): Promise<void> {
    const opened = await this.act('openYard', { joinsAs: 'helper' });
    if (!opened.ok) throw new Error(JSON.stringify(opened.problems));
  }
  /** Somebody joins with the code that is shown, and is given a role. */
  async joins(name: string, role: Role): Promise<Person> {
    const [yard] = await this.rows<{ value: string }>("SELECT value FROM settings WHERE key = 'yard'");
    const { code } = JSON.parse(yard!.value) as { code: string };
    const answer = await fetch(`${this.yard}/join/enter`, {
      method: 'POST',
      headers: { Origin: this.yard, 'Content-Type': 'application/json' },
      body: JSON.stringify({ code, name }),
    });
    const cookie = answer.headers.get('set-cookie')?.split(';')[0];
    if (!cookie) throw new Error(`${name} could not join: ${await answer.text()}`);
    const [session] = await this.rows<{ id: string }>(
      `SELECT id FROM crew_sessions WHERE name = '${name}' ORDER BY joined_at_ms DESC LIMIT 1`,
    );
    const given = await this.act('setMemberRole', { id: session!.id, role });
    if (!given.ok) throw new Error(JSON.stringify(given.problems));
    return this.person(name, this.yard, { Cookie: cookie }, role);
  }

  rows<Row extends object>(sql: string): Promise<Row[]> {
    return new Promise((resolve, reject) => {
      const db = new sqlite3.Database(this.database, sqlite3.OPEN_READONLY);
      db.configure('busyTimeout', 5000);
      db.all<Row>(sql, (error, found) => {
        db.close();
        if (error) reject(error);
        else resolve(found);
      });
    });
  }
  /** The event of the demo whose day is under way. */
  async dayId(): Promise<string> {
    return (await this.rows<{ event_id: string }>('SELECT event_id FROM cook_days'))[0]!.event_id;
  }
  async eventId(): Promise<string> {
    return (await this.rows<{ id: string }>('SELECT id FROM events WHERE id NOT IN (SELECT event_id FROM cook_days)'))[0]!.id;
  }
}

/** A call to an action, by whoever calls it. */
export async function actAs<T>(person: Person, id: string, input: unknown[]): Promise<Outcome<T>> {
  const answer = await person.ask('/', {
    method: 'POST',
    headers: { 'Next-Action': id, 'Content-Type': 'text/plain;charset=UTF-8', Accept: 'text/x-component' },
    body: JSON.stringify(input),
  });
  const text = await answer.text();
  const said = /^\d+:(\{"ok".*)$/m.exec(text)?.[1];
  return said
    ? (JSON.parse(said) as Outcome<T>)
    : { ok: false, problems: [{ code: `status${answer.status}`, message: text.slice(0, 200) }] };
}

export const noteOf = (id: string, by: string, atMs: number, text = id) => ({ id, atMs, by, deed: { kind: 'note', text } });

/** Sends what somebody did, as a phone does. */
export const tell = (person: Person, eventId: string, entries: object[], nowMs = Date.now()): Promise<Response> =>
  person.ask(`/days/${eventId}/entries`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify({ eventId, nowMs, entries }),
  });

export const pause = (ms: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, ms));

/** What was measured, and what was wrong with it. */
export interface Verdict {
  figures: string;
  faults: string[];
}
