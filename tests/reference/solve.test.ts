import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { afterAll, describe, expect, it } from 'vitest';
import { checkPlan } from '../../src/core/check';
import { exchangeEventOf } from '../../src/core/planning';
import { planInputOf, readEventFile, readOpenPlan, type EventFileV1 } from '../../src/formats/open';
import { supperFile } from '../fixtures/supper';

const folder = mkdtempSync(path.join(tmpdir(), 'anachron-solve-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

function solve(event: EventFileV1 | string, ...options: string[]) {
  const file = path.join(folder, 'event.json');
  writeFileSync(file, typeof event === 'string' ? event : JSON.stringify(event));
  return spawnSync(process.execPath, ['--import', 'tsx', 'src/runtime/commands/solve.ts', file, ...options], { encoding: 'utf8' });
}

function planIn(text: string) {
  const read = readOpenPlan(text);
  if (!read.ok) throw new Error(JSON.stringify(read.problems));
  return read.value;
}

describe('the solve command', () => {
  it('prints the plan of the example in docs/formats to the byte, its progress aside, and leaves with 0', () => {
    const event = readFileSync('docs/formats/event.example.json', 'utf8');
    const { stdout, stderr, status } = solve(event, '--iterations', '60');
    expect(status).toBe(0);
    expect(stdout).toBe(readFileSync('docs/formats/plan.example.json', 'utf8'));
    expect(stderr).toMatch(/of 60: 0 /);
    const read = readEventFile(event);
    expect(read.ok && checkPlan(exchangeEventOf(planInputOf(read.value)), planIn(stdout))).toEqual([]);
  });

  it('takes seed and confidence', () => {
    const { stdout, status } = solve(supperFile(), '--iterations', '5', '--seed', '7', '--confidence', '0.8');
    expect(status).toBe(0);
    expect(JSON.parse(stdout)).toMatchObject({ seed: 7, iterations: 5, confidence: 0.8 });
  });

  it('leaves with 3 and says what cannot hold together when nothing keeps the rules', () => {
    const event = supperFile();
    event.pits = event.pits.map((pit) => ({ ...pit, smoke: false }));
    const { stdout, status } = solve(event, '--iterations', '2');
    expect(status).toBe(3);
    const plan = planIn(stdout);
    expect(plan).toMatchObject({ status: 'infeasible', proof: true, runs: [] });
    expect(plan.conflict).toHaveLength(1);
    const tight = supperFile();
    tight.holding = [];
    const short = planIn(solve(tight, '--iterations', '2').stdout);
    expect(short.status).toBe('infeasible');
    expect(short.remedies!.some((remedy) => remedy.code === 'moreHolding' && remedy.value[0] === 0)).toBe(true);
  });

  it('leaves with 2 and the place when the file or an option cannot be read', () => {
    const broken = solve({ ...supperFile(), altitudeM: 'high' as never });
    expect(broken).toMatchObject({ status: 2, stdout: '' });
    expect(broken.stderr).toContain('$.altitudeM must be number');
    expect(solve('{').status).toBe(2);
    expect(solve(supperFile(), '--seed', 'x').status).toBe(2);
    expect(solve(supperFile(), '--confidence', '1.5').status).toBe(2);
    expect(solve(supperFile(), '--what').status).toBe(2);
    expect(spawnSync(process.execPath, ['--import', 'tsx', 'src/runtime/commands/solve.ts', 'nowhere.json']).status).toBe(2);
  });
});
