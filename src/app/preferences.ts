import { cookies } from 'next/headers';
import { readUnits, type Units } from '../formats/units';
import type { Light } from '../ui/kit/UnitsProvider';

/** Units and palette as the reader last chose them. */
export async function preferences(): Promise<{ units: Units; light: Light }> {
  const jar = await cookies();
  const light = jar.get('anachron-light')?.value;
  return { units: readUnits(jar.get('anachron-units')?.value), light: light === 'dark' || light === 'night' ? light : 'light' };
}
