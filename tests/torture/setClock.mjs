import { existsSync, readFileSync } from 'node:fs';

// Put before a program, it makes the machine's clock one that somebody has set: by as many ms as a file says.
const FILE = process.env.TORTURE_CLOCK;
const real = Date.now.bind(Date);
let [seen, byMs] = [0, 0];
const offset = () => {
  if (real() - seen > 200) {
    seen = real();
    byMs = existsSync(FILE) ? Number(readFileSync(FILE, 'utf8')) || 0 : 0;
  }
  return byMs;
};
const Real = Date;
globalThis.Date = class extends Real {
  constructor(...given) {
    if (given.length === 0) super(real() + offset());
    else super(...given);
  }
  // Its own, not inherited: who puts another Date in place of this one copies what it finds on it.
  static UTC = Real.UTC;
  static parse = Real.parse;
  static now() {
    return real() + offset();
  }
};
