import { recentAudit } from '@/server/audit';
import { withClient } from '@/server/db';
import { pageUser } from '@/server/page';
import { may } from '@/server/permissions';
import { shopOf, shopVersions } from '@/server/shop';
import { listUnits, unitsOf } from '@/server/units';
import { listUsers } from '@/server/users';
import { ShopPage } from '@/ui/shop/page';
import { MessagePage } from '@/ui/system/message';

export const metadata = { title: 'Shop · Pelvik' };

export default async function Page() {
  const user = await pageUser();
  if (!may(user, 'see-shop'))
    return (
      <MessagePage
        title="This page is the owner’s"
        words="People, rates and the audit trail are shown to the owner only."
      />
    );
  const { people, trail, shop, versions, units } = await withClient(async (client) => ({
    people: await listUsers(client),
    trail: await recentAudit(client),
    shop: await shopOf(client),
    versions: await shopVersions(client),
    units: await unitsOf(client, await listUnits(client)),
  }));
  return (
    <ShopPage
      who={user}
      version={shop.version}
      terms={shop.terms}
      versions={versions}
      people={people}
      units={units.map(({ id, name, labour }) => ({
        id,
        name,
        labour: labour.map((o) => ({ id: o.id, name: o.name, hours: o.hours })),
      }))}
      trail={trail.map((t) => ({
        at: t.at.toISOString(),
        who: t.who,
        what: t.what,
        about: Object.entries(t.about)
          .map(([name, value]) => `${name} ${String(value)}`)
          .join(', '),
      }))}
    />
  );
}
