import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import Papa from 'papaparse';
import { afterAll, describe, expect, it } from 'vitest';

const folder = mkdtempSync(path.join(tmpdir(), 'anachron-cooks-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

function predict(text: string | undefined) {
  const file = path.join(folder, 'cooks.csv');
  if (text !== undefined) writeFileSync(file, text);
  return spawnSync(
    process.execPath,
    ['--import', 'tsx', 'src/runtime/commands/predict.ts', text === undefined ? path.join(folder, 'missing.csv') : file],
    { encoding: 'utf8' },
  );
}

describe('the predict command', () => {
  it('adds its columns to the rows in order, and tells error and coverage', () => {
    const text =
      'cut,cook_id,piece_lb,pit_f,done,hours,source\npork-butt,a,8,250,tender,11.5,x\npork-loin,b,4,250,142F,2.3,"two, words"\nbrisket-whole,c,13,225,tender,,y\n';
    const { stdout, stderr, status } = predict(text);
    expect(status).toBe(0);
    const rows = Papa.parse<Record<string, string>>(stdout.trim(), { header: true }).data;
    expect(rows.map((row) => row.cook_id)).toEqual(['a', 'b', 'c']);
    expect(rows[1]!.source).toBe('two, words');
    for (const row of rows) {
      expect(Number(row.pred_p10_h)).toBeLessThan(Number(row.pred_p50_h));
      expect(Number(row.pred_p50_h)).toBeLessThan(Number(row.pred_p90_h));
    }
    expect(Number(rows[0]!.pred_final_f)).toBeGreaterThan(190);
    expect(Number(rows[1]!.pred_final_f)).toBeCloseTo(142, 0);
    expect(stderr).toMatch(/log-RMSE 0\.\d+/);
    expect(stderr).toMatch(/inside p10-p90 [01]\.\d+ of 2 rows/);
  });

  it('reports rows it cannot use with their line and goes on', () => {
    const { stdout, stderr, status } = predict(
      'cook_id,cut,piece_lb,pit_f,done\na,griffin,8,250,tender\nb,pork-butt,8,250,300F\nc,pork-butt,8,250,tender\n',
    );
    expect(status).toBe(0);
    expect(stdout.trim().split('\r\n')).toHaveLength(2);
    expect(stderr).toMatch(/line 2: cut "griffin" is not known/);
    expect(stderr).toMatch(/line 3: the model never reaches this finish/);
  });

  it('tells how long a rest takes, and which never ends', () => {
    const { stdout, stderr, status } = predict(
      'cook_id,cut,piece_lb,pit_f,wrap,wrap_at,done,rest,rest_to_f,rest_hours\na,brisket-whole,12.5,250,paper,165F,203F,board,150,2.2\nb,brisket-whole,12.5,250,foil,165F,203F,box,150,\nc,brisket-whole,12.5,250,foil,165F,203F,warmer@160F,150,\nd,pork-butt,8,250,,,tender,,,\ne,pork-butt,8,250,,,tender,shelf,150,\n',
    );
    expect(status).toBe(0);
    const rows = Papa.parse<Record<string, string>>(stdout.trim(), { header: true }).data;
    expect(Number(rows[0]!.pred_rest_h)).toBeGreaterThan(1.6);
    expect(Number(rows[1]!.pred_rest_h)).toBeGreaterThan(2 * Number(rows[0]!.pred_rest_h));
    expect([rows[2]!.pred_rest_h, rows[3]!.pred_rest_h]).toEqual(['', '']);
    expect(stderr).toMatch(/line 4: at rest it never falls to that core/);
    expect(stderr).toMatch(/line 6: rest "shelf" is not board/);
  });

  it('ends with 2 when nothing is usable', () => {
    expect(predict('cook_id,cut\na,griffin\n').status).toBe(2);
    expect(predict('').status).toBe(2);
    expect(predict(undefined).status).toBe(2);
  });
});
