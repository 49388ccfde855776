import { unitStart } from '@/server/page';
import { SignedIn } from '@/ui/sync/signed-in';
import { Queries } from '@/ui/system/query';
import { MessagePage } from '@/ui/system/message';
import { UnitEditor } from '../../views';

export const metadata = { title: 'Edit a unit · Pelvik' };

export default async function EditPage({ params }: { params: Promise<{ id: string }> }) {
  const start = await unitStart((await params).id, undefined);
  if (!start)
    return (
      <MessagePage title="There is no such unit" words="It may have been deleted. Go back to the library." />
    );
  if (!start.mayEdit)
    return <MessagePage title="Units are the bench’s to change" words="Ask a technician or the owner." />;
  return (
    <SignedIn who={start.user}>
      <Queries>
        <UnitEditor
          user={start.user.id}
          currency={start.currency}
          editing={{ unit: start.unit, version: start.version }}
        />
      </Queries>
    </SignedIn>
  );
}
