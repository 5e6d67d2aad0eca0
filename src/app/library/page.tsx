import { context as openContext } from '../../runtime/context';
import { readLibrary, readPrices, storedUnusable } from '../../services';
import { LibraryPage } from '../../ui/library/LibraryPage.client';
import { SiteHeader } from '../../ui/shell/Header';
import { saveCut, saveMethod, saveRecipe, restoreEntry } from '../actions';

export const dynamic = 'force-dynamic';
export const metadata = { title: 'Cuts & methods' };

export default async function Page() {
  const { library, own } = await readLibrary(await openContext());
  const prices = await readPrices(await openContext());
  const { library: unusable } = await storedUnusable();
  return (
    <>
      <SiteHeader here="library" />
      <LibraryPage
        library={library}
        prices={prices}
        own={own}
        unusable={unusable}
        actions={{ saveCut, saveMethod, saveRecipe, restoreEntry }}
      />
    </>
  );
}
