import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { describe, expect, it } from 'vitest';
import { deedNeeds, DOORS, isAtLeast, mayEnter, needsOf, ROLES } from './index';

const folders = readdirSync('src/app', { recursive: true, encoding: 'utf8' });
const addressOf = (file: string) => `/${path.dirname(file)}`.replace(/\/\.$/, '/');
/** Doors that the code has, with the ways it answers in. */
const built = folders.flatMap((file): [string, string][] => {
  if (file.endsWith('page.tsx')) return [[addressOf(file), 'GET']];
  if (!file.endsWith('route.ts')) return [];
  const code = readFileSync(path.join('src/app', file), 'utf8');
  return [...code.matchAll(/export (?:async function|function|const) (GET|POST|PUT|PATCH|DELETE|HEAD|OPTIONS)\b/g)].map(([, way]) => [
    addressOf(file),
    way!,
  ]);
});

describe('doors', () => {
  it('are all told who may ask, and none is told that is not there', () => {
    const told = Object.entries(DOORS).flatMap(([address, ways]) => Object.keys(ways).map((way) => `${way} ${address}`));
    expect(told.sort()).toEqual(built.map(([address, way]) => `${way} ${address}`).sort());
  });

  it('that nobody told of are the owner’s, as are all actions', () => {
    for (const [method, address] of [
      ['GET', '/nowhere'],
      ['DELETE', '/yard'],
      ['POST', '/yard'],
      ['POST', '/days/x/state'],
      ['GET', '/days/x'],
      ['GET', '/days//state'],
      ['GET', '/days/x/state/y'],
      ['GET', '/_next/data'],
      ['GET', '/icons'],
    ] as const) {
      expect(needsOf(method, address), `${method} ${address}`).toBe('owner');
      expect(mayEnter('cook', { method, path: address, action: false })).toBe(false);
      expect(mayEnter('owner', { method, path: address, action: false })).toBe(true);
    }
    for (const role of [undefined, 'watcher', 'helper', 'cook'] as const)
      expect(mayEnter(role, { method: 'POST', path: '/yard/x', action: true })).toBe(false);
  });

  it('let each role into what it is there for, and no further', () => {
    const into = (role: (typeof ROLES)[number] | undefined) =>
      built.filter(([address, method]) =>
        mayEnter(role, {
          method,
          path: address.replace('[eventId]', 'x').replace('[kind]', 'plan').replace('[trialId]', 'y'),
          action: false,
        }),
      ).length;
    expect(into(undefined)).toBe(3);
    expect(into('watcher')).toBe(11);
    expect(into('helper')).toBe(16);
    expect(into('cook')).toBe(16);
    expect(into('owner')).toBe(built.length);
  });
});

describe('a role', () => {
  it('holds all of those below it', () => {
    expect(isAtLeast('cook', 'helper')).toBe(true);
    expect(isAtLeast('watcher', 'helper')).toBe(false);
    expect(ROLES.every((role) => isAtLeast('owner', role))).toBe(true);
  });

  it('below a cook’s takes no lever, turns no pit and ends no day', () => {
    expect(deedNeeds({ kind: 'revision', lever: 'x', changes: [], reason: '' })).toBe('cook');
    expect(deedNeeds({ kind: 'pit', pitId: 'p', did: 'setPoint', pitC: 120 })).toBe('cook');
    expect(deedNeeds({ kind: 'pit', pitId: 'p', did: 'fuelled' })).toBe('helper');
    expect(deedNeeds({ kind: 'day', did: 'ended' })).toBe('cook');
    expect(deedNeeds({ kind: 'task', taskId: 't', did: 'done' })).toBe('helper');
  });
});
