import { SignIn } from '@/ui/board/sign-in';

export const metadata = { title: 'Sign in · Pelvik' };

export default function Page() {
  return <SignIn />;
}
