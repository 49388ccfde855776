import { withClient } from '@/server/db';
import { unitStart, pageUser } from '@/server/page';
import { may } from '@/server/permissions';
import { shopOf } from '@/server/shop';
import { SignedIn } from '@/ui/sync/signed-in';
import { Queries } from '@/ui/system/query';
import { MessagePage } from '@/ui/system/message';
import { UnitEditor } from '../views';

export const metadata = { title: 'New unit · Pelvik' };

export default async function NewPage({ searchParams }: { searchParams: Promise<{ from?: string }> }) {
  const user = await pageUser();
  if (!may(user, 'edit-units'))
    return <MessagePage title="Units are the bench’s to change" words="Ask a technician or the owner." />;
  const { from } = await searchParams;
  const { terms } = await withClient(shopOf);
  const start = from ? await unitStart(from, undefined) : null;
  return (
    <SignedIn who={user}>
      <Queries>
        <UnitEditor user={user.id} currency={terms.currency} from={start?.unit} />
      </Queries>
    </SignedIn>
  );
}
