import { withClient } from '@/server/db';
import { sessionToken } from '@/server/http';
import { pageUser } from '@/server/page';
import { sessionsOf } from '@/server/sessions';
import { AccountPage } from '@/ui/board/account';

export const metadata = { title: 'Account · Pelvik' };

export default async function Page() {
  const user = await pageUser();
  const token = await sessionToken();
  const sessions = await withClient((client) => sessionsOf(client, user.id, token));
  return <AccountPage user={user} sessions={sessions} />;
}
