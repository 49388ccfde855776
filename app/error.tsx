'use client';
import { MessagePage } from '@/ui/system/message';

export default function ErrorPage() {
  return (
    <MessagePage
      title="Something went wrong"
      words="What you typed is kept. Reload the page; if it stays like this, start Pelvik again."
    />
  );
}
