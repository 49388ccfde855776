import { connection } from 'next/server';
import { withClient } from '@/server/db';
import { isEmpty } from '@/server/setup';
import { SetUp } from '@/ui/board/set-up';
import { SignIn } from '@/ui/board/sign-in';

export const metadata = { title: 'Sign in · Pelvik' };

export default async function Page() {
  await connection();
  return (await withClient(isEmpty)) ? <SetUp /> : <SignIn />;
}
