import { unitStart } from '@/server/page';
import { knowledge } from '@/server/library';
import { MessagePage } from '@/ui/system/message';
import { SignedIn } from '@/ui/sync/signed-in';
import { UnitView } from '../views';

export const metadata = { title: 'Unit · Pelvik' };

interface Props {
  params: Promise<{ id: string }>;
  searchParams: Promise<{ version?: string }>;
}

export default async function UnitPage({ params, searchParams }: Props) {
  const start = await unitStart((await params).id, (await searchParams).version);
  if (!start)
    return (
      <MessagePage title="There is no such unit" words="It may have been deleted. Go back to the library." />
    );
  return (
    <SignedIn who={start.user}>
      <UnitView key={start.version} start={start} behaviour={knowledge.behaviour} currency={start.currency} />
    </SignedIn>
  );
}
