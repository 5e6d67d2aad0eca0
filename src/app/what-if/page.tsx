import { house as openHouse } from '../../runtime/house';
import { readLibrary } from '../../services';
import { HouseHeader } from '../../ui/shell/Header';
import { WhatIf } from '../../ui/whatif/WhatIf.client';

export const dynamic = 'force-dynamic';
export const metadata = { title: 'What if' };

export default async function Page() {
  const { library } = await readLibrary(await openHouse());
  return (
    <>
      <HouseHeader here="what-if" />
      <WhatIf library={library} />
    </>
  );
}
