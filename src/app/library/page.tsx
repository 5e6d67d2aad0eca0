import { house as openHouse } from '../../runtime/house';
import { readLibrary } from '../../services';
import { LibraryPage } from '../../ui/library/LibraryPage.client';
import { HouseHeader } from '../../ui/shell/Header';
import { keepCut, keepMethod, keepRecipe, restoreEntry } from '../actions';

export const dynamic = 'force-dynamic';
export const metadata = { title: 'Cuts & methods' };

export default async function Page() {
  const { library, own } = await readLibrary(await openHouse());
  return (
    <>
      <HouseHeader here="library" />
      <LibraryPage library={library} own={own} actions={{ keepCut, keepMethod, keepRecipe, restoreEntry }} />
    </>
  );
}
