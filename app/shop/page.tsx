import { recentAudit } from '@/server/audit';
import { withClient } from '@/server/db';
import { pageUser } from '@/server/page';
import { may } from '@/server/permissions';
import { shopOf } from '@/server/shop';
import { listUsers } from '@/server/users';
import { ShopPage } from '@/ui/board/shop';
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
  const { people, trail, shop } = await withClient(async (client) => ({
    people: await listUsers(client),
    trail: await recentAudit(client),
    shop: await shopOf(client),
  }));
  return (
    <ShopPage
      userId={user.id}
      terms={shop.terms}
      people={people}
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
