import { describe, expect, it } from 'vitest';
import { ANSWER_HEADERS, contentPolicy, isForwarded, isPlainCall, localAddresses, refusal } from './gate';

const asked = (more: object = {}) =>
  refusal({ method: 'GET', host: '127.0.0.1:3000', origin: null, fetchSite: null, ...more }, localAddresses('3000'))?.status;

describe('who is answered', () => {
  it('is this machine, by its own names at its own port', () => {
    for (const host of ['127.0.0.1:3000', 'localhost:3000', '[::1]:3000', 'LOCALHOST:3000']) expect(asked({ host })).toBeUndefined();
    for (const host of [
      null,
      '',
      'evil.example',
      '127.0.0.1',
      '127.0.0.1:3001',
      'localhost:3000.evil.example',
      '127.0.0.1:3000@evil.example',
      '0.0.0.0:3000',
    ])
      expect(asked({ host }), String(host)).toBe(421);
    expect(refusal({ method: 'GET', host: 'localhost', origin: null, fetchSite: null }, localAddresses('80'))).toBeUndefined();
  });

  it('may change something only from its own pages', () => {
    const post = (more: object) => asked({ method: 'POST', ...more });
    expect(post({ origin: 'http://127.0.0.1:3000', fetchSite: 'same-origin' })).toBeUndefined();
    expect(post({})).toBeUndefined();
    for (const origin of ['http://evil.example', 'null', 'https://127.0.0.1:3000', 'http://127.0.0.1:3001'])
      expect(post({ origin })).toBe(403);
    for (const fetchSite of ['cross-site', 'same-site']) expect(post({ fetchSite })).toBe(403);
    expect(asked({ method: 'GET', origin: 'http://evil.example', fetchSite: 'cross-site' })).toBeUndefined();
  });

  it('is, opened to the yard, whoever comes to an address that was printed, and no other', () => {
    const ours = ['http://192.0.2.2:3000'];
    const at = (host: string, origin: string | null = null, method = 'POST') =>
      refusal({ method, host, origin, fetchSite: null }, ours)?.status;
    expect(at('192.0.2.2:3000', 'http://192.0.2.2:3000')).toBeUndefined();
    expect(at('127.0.0.1:3000')).toBe(421);
    expect(at('192.0.2.2:3000', 'http://127.0.0.1:3000')).toBe(403);
    expect(at('192.0.2.2:3000', 'https://192.0.2.2:3000')).toBe(403);
    expect(refusal({ method: 'GET', host: '192.0.2.2:3000', origin: null, fetchSite: null }, [])?.status).toBe(421);
  });

  it('sends no more than a file may hold', () => {
    expect(asked({ method: 'POST', bodyBytes: 9_000_000 })).toBeUndefined();
    expect(asked({ method: 'POST', bodyBytes: 90_000_000 })).toBe(413);
  });

  it('is told by no header that others put before it', () => {
    for (const name of ['X-Forwarded-Host', 'x-forwarded-for', 'Forwarded', 'X-Real-IP', 'x-original-url'])
      expect(isForwarded(name)).toBe(true);
    for (const name of ['host', 'origin', 'cookie', 'next-action']) expect(isForwarded(name)).toBe(false);
  });

  it('gets pages that no other page may hold, and that run no script but their own', () => {
    const policy = contentPolicy('abc');
    expect(policy).toContain("'nonce-abc'");
    expect(policy).toContain("frame-ancestors 'none'");
    expect(policy.split('; ').find((each) => each.startsWith('script-src'))).not.toContain('unsafe');
    expect(ANSWER_HEADERS['X-Content-Type-Options']).toBe('nosniff');
  });
});

describe('a call to an action', () => {
  it('holds plain values and the framework’s words for nothing, no number and no end', () => {
    for (const value of [[], [{ a: 1 }], ['$undefined'], ['$NaN', '$-Infinity', '$-0'], ['$$5 a portion'], [[[null]]]])
      expect(isPlainCall(JSON.stringify(value)), JSON.stringify(value)).toBe(true);
  });

  it('refers to nothing elsewhere, and is a list', () => {
    for (const body of ['', '{', '{}', '"x"', '["$Q1"]', '["$@0"]', '[{"a":["$D2206"]}]', '["$F1"]', '["$undefinedx"]', '["$"]'])
      expect(isPlainCall(body), body).toBe(false);
  });
});
