import { withClient } from '@/server/db';
import { pageUser } from '@/server/page';
import { may } from '@/server/permissions';
import { donorCores, shelfOf } from '@/server/shelf';
import { shopOf } from '@/server/shop';
import { listUnits } from '@/server/units';
import { ShelfPage } from '@/ui/shelf/page';

export const metadata = { title: 'Shelf · Pelvik' };

export default async function Page() {
  const user = await pageUser();
  const start = await withClient(async (client) => ({
    pieces: await shelfOf(client, null),
    cores: await donorCores(client),
    units: (await listUnits(client)).map(({ id, version, name }) => ({ id, version, name })),
    currency: (await shopOf(client)).terms.currency,
  }));
  return <ShelfPage who={user} mayEdit={may(user, 'edit-shelf')} {...start} />;
}
