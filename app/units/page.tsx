import { withClient } from '@/server/db';
import { pageUser } from '@/server/page';
import { may } from '@/server/permissions';
import { listUnits } from '@/server/units';
import { UnitList } from '@/ui/library/list';
import { SignedIn } from '@/ui/sync/signed-in';
import { Queries } from '@/ui/system/query';

export const metadata = { title: 'Units · Pelvik' };

export default async function UnitsPage() {
  const user = await pageUser();
  return (
    <SignedIn who={user}>
      <Queries>
        <UnitList units={await withClient(listUnits)} mayEdit={may(user, 'edit-units')} />
      </Queries>
    </SignedIn>
  );
}
