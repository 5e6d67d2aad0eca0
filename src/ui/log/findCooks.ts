import { TRAITS } from '../../core/learn';
import type { LogRow } from './logRow';

export const SORTS = [
  ['newest', 'Newest first'],
  ['longest', 'Longest first'],
  ['furthest', 'Furthest from the forecast first'],
] as const;

/** What the crew made of a cook, in a word. */
export const JUDGED = ['right', 'something off', 'not judged'] as const;
export const judgedAs = ({ words: { verdict } }: LogRow): (typeof JUDGED)[number] => {
  const said = TRAITS.flatMap((trait) => verdict[trait] ?? []);
  return said.length === 0 ? 'not judged' : said.every((word) => word === 'right') ? 'right' : 'something off';
};

/** What is looked for; an empty word leaves all. */
export interface Sought {
  words: string;
  cut: string;
  pit: string;
  method: string;
  judged: string;
  sort: (typeof SORTS)[number][0];
}
export const ALL: Sought = Object.freeze({ words: '', cut: '', pit: '', method: '', judged: '', sort: 'newest' });

/** Cooks in which every word stands somewhere, of a cut, pit, method and verdict, in order. Rows come the newest first. */
export function findCooks(rows: readonly LogRow[], { words, cut, pit, method, judged, sort }: Sought): LogRow[] {
  const wanted = words.toLowerCase().split(/\s+/).filter(Boolean);
  const fits = (row: LogRow): boolean => {
    if ((cut && row.cut !== cut) || (pit && row.pit !== pit) || (method && row.method !== method)) return false;
    if (judged && judgedAs(row) !== judged) return false;
    if (wanted.length === 0) return true;
    const { notes, nextTime, verdict } = row.words;
    const all = [row.cut, row.pit, row.method, row.event, notes, nextTime, ...TRAITS.map((trait) => verdict[trait])]
      .filter(Boolean)
      .join(' ')
      .toLowerCase();
    return wanted.every((word) => all.includes(word));
  };
  const far = ({ ratio }: LogRow): number => (ratio === undefined ? -1 : Math.abs(Math.log(ratio)));
  const found = rows.filter(fits);
  if (sort === 'longest') found.sort((a, b) => (b.hours ?? 0) - (a.hours ?? 0));
  if (sort === 'furthest') found.sort((a, b) => far(b) - far(a));
  return found;
}
