import { knowledge } from '@/server/library';
import { pageUser } from '@/server/page';
import { KnowledgePage } from '@/ui/knowledge/page';
import { knowledgeView } from '@/ui/knowledge/view';
import { SignedIn } from '@/ui/sync/signed-in';

export const metadata = { title: 'Knowledge · Pelvik' };

const view = knowledgeView(knowledge);

export default async function Page() {
  const user = await pageUser();
  return (
    <SignedIn who={user}>
      <KnowledgePage view={view} />
    </SignedIn>
  );
}
