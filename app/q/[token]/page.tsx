import { withClient } from '@/server/db';
import { UserError } from '@/server/problem';
import { quoteByToken } from '@/server/quotes';
import { CustomerPage } from '@/ui/customer/page';
import { MessagePage } from '@/ui/system/message';

export const metadata = { title: 'Your quote', robots: { index: false, follow: false } };

/** The customer's page: no sign-in, only the link. */
export default async function Page({ params }: { params: Promise<{ token: string }> }) {
  const { token } = await params;
  try {
    const quote = await withClient((client) => quoteByToken(client, token));
    const { version, status, content, answers } = quote;
    return <CustomerPage quote={{ token, version, status, content, answers }} />;
  } catch (error) {
    if (error instanceof UserError)
      return <MessagePage title={error.message} words={error.remedy} home={false} />;
    throw error;
  }
}
