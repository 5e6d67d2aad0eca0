import { context as openContext } from '../../runtime/context';
import { houseParameters, readLibrary } from '../../services';
import { SiteHeader } from '../../ui/shell/Header';
import { WhatIf } from '../../ui/whatif/WhatIf.client';

export const dynamic = 'force-dynamic';
export const metadata = { title: 'What if' };

export default async function Page() {
  const { library } = await readLibrary(await openContext());
  const parameters = await houseParameters();
  return (
    <>
      <SiteHeader here="what-if" />
      <WhatIf library={library} parameters={parameters} />
    </>
  );
}
