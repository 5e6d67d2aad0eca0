import type { ReactNode } from 'react';

/** The head of a table, name by name. A name in brackets is there for those who hear the page. */
export function TableHead({ names }: { names: readonly ReactNode[] }) {
  return (
    <thead className="text-[0.84rem] text-soft">
      <tr>
        {names.map((name, i) => (
          <th key={i} scope="col" className="border-b border-line py-1 pr-3 font-semibold">
            {typeof name === 'string' && /^\(.*\)$/.test(name) ? <span className="sr-only">{name.slice(1, -1)}</span> : name}
          </th>
        ))}
      </tr>
    </thead>
  );
}
